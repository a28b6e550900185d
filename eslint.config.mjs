import astro from 'eslint-plugin-astro';
import hooks from 'eslint-plugin-react-hooks';
import globals from 'globals';
import tseslint from 'typescript-eslint';

export default tseslint.config(
  // Kernels are AssemblyScript: their compiler checks them.
  { ignores: ['dist', '.astro', 'node_modules', 'data', 'docs', 'kernels'] },
  ...tseslint.configs.strictTypeChecked.map((config) => ({ ...config, files: ['**/*.ts', '**/*.tsx'] })),
  {
    files: ['**/*.ts', '**/*.tsx'],
    languageOptions: { parserOptions: { projectService: true, tsconfigRootDir: import.meta.dirname } },
    rules: {
      // Indexed access is checked by the compiler (noUncheckedIndexedAccess); `!` says "in range by construction".
      '@typescript-eslint/no-non-null-assertion': 'off',
      '@typescript-eslint/restrict-template-expressions': ['error', { allowNumber: true }],
      '@typescript-eslint/no-confusing-void-expression': 'off',
      '@typescript-eslint/no-unused-vars': ['error', { argsIgnorePattern: '^_', varsIgnorePattern: '^_' }],
      // `import { type X }` would load the module for nothing.
      '@typescript-eslint/no-import-type-side-effects': 'error',
      'no-console': ['error', { allow: ['error', 'log'] }],
    },
  },
  { files: ['**/*.tsx'], ...hooks.configs.flat['recommended-latest'] },
  {
    files: ['**/*.tsx'],
    rules: {
      // Islands set a ready flag once they are alive, and keep the newest handler in a ref.
      'react-hooks/set-state-in-effect': 'off',
      'react-hooks/refs': 'off',
      'react-hooks/incompatible-library': 'off',
    },
  },
  ...astro.configs.recommended,
  { files: ['**/*.mjs'], languageOptions: { globals: globals.node } },
);
