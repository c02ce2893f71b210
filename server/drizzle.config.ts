import { defineConfig } from 'drizzle-kit';

export default defineConfig({
  dialect: 'sqlite',
  schema: './server/data/schema/*.ts',
  out: './server/data/migrations',
});
