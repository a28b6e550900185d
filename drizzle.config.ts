import { defineConfig } from 'drizzle-kit';

export default defineConfig({
  dialect: 'sqlite',
  schema: './src/schema/records/tables.ts',
  out: './src/server/store/migrations',
});
