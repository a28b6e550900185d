/**
 * The house's rules on imports (docs/architecture.md): which way they may point. Type imports count as well.
 * @type {import('dependency-cruiser').IConfiguration}
 */
const from = (path) => ({ path, pathNot: '\\.test\\.tsx?$' });
const climbs = (name, floor, ...above) => ({
  name,
  comment: `${floor} knows nothing of what is built on it`,
  severity: 'error',
  from: from(`^src/${floor}/`),
  to: { path: above.map((room) => `^src/${room}/`) },
});
const TABLES = ['\\.table\\.ts$', '^src/schema/records/tables\\.ts$', 'node_modules/drizzle-orm'];

module.exports = {
  forbidden: [
    {
      name: 'no-circle',
      comment: 'two files that need each other are one, or share a third; types included',
      severity: 'error',
      from: {},
      to: { circular: true },
    },
    climbs(
      'core',
      'core',
      'schema',
      'formats',
      'server',
      'workers',
      'islands',
      'ui',
      'layouts',
      'pages',
      'cli',
    ),
    {
      name: 'core-is-pure',
      comment: 'no interface, database, platform or parser in the core',
      severity: 'error',
      from: from('^src/core/'),
      to: {
        path: 'node_modules/(react|astro|drizzle-orm|better-sqlite3|zod|nanostores|papaparse)',
      },
    },
    {
      name: 'core-without-platform',
      severity: 'error',
      from: from('^src/core/'),
      to: { dependencyTypes: ['core'] },
    },
    climbs(
      'values',
      'schema/values',
      'schema/(exchange|records|sheets|words|presets)',
      'formats',
      'server',
      'workers',
      'islands',
      'ui',
    ),
    climbs(
      'exchange',
      'schema/exchange',
      'schema/(records|sheets|words|presets)',
      'formats',
      'server',
      'workers',
      'islands',
      'ui',
    ),
    climbs(
      'records',
      'schema/records',
      'schema/(sheets|words|presets)',
      'formats',
      'server',
      'workers',
      'islands',
      'ui',
    ),
    climbs(
      'words-presets-sheets',
      'schema',
      'formats',
      'server',
      'workers',
      'islands',
      'ui',
      'layouts',
      'pages',
      'cli',
    ),
    climbs('formats', 'formats', 'server', 'workers', 'islands', 'ui', 'layouts', 'pages', 'cli'),
    climbs('workers', 'workers', 'server', 'islands', 'ui', 'layouts', 'pages', 'cli'),
    climbs('server', 'server', 'islands', 'ui', 'layouts', 'pages', 'cli'),
    climbs('ui', 'ui', 'islands', 'server', 'formats', 'layouts', 'pages', 'cli'),
    {
      name: 'sheets-are-types',
      comment: 'what a page starts from is data: no code goes with it',
      severity: 'error',
      from: from('^src/schema/sheets/'),
      to: { dependencyTypesNot: ['type-only'] },
    },
    climbs('islands', 'islands', 'server', 'formats', 'layouts', 'pages', 'cli'),
    {
      name: 'islands-ask-workers-through-the-client',
      severity: 'error',
      from: from('^src/islands/'),
      to: { path: '^src/workers/', pathNot: '^src/workers/(jobClient|protocol)\\.ts$' },
    },
    {
      name: 'only-the-store-knows-sql',
      comment: 'queries stand in repositories; nobody else takes a table',
      severity: 'error',
      from: from('^src/(server/(?!store/)|pages|layouts|cli)'),
      to: { path: TABLES },
    },
  ],
  options: {
    doNotFollow: { path: 'node_modules' },
    exclude: { path: '\\.(css|svg)$' },
    tsPreCompilationDeps: true,
    tsConfig: { fileName: 'tsconfig.json' },
    enhancedResolveOptions: {
      exportsFields: ['exports'],
      conditionNames: ['import', 'require', 'node', 'default'],
    },
  },
};
