import tseslint from 'typescript-eslint';
import reactHooks from 'eslint-plugin-react-hooks';
import globals from 'globals';

/** Imports run one way: web → contract → core; server → contract, core; standin → core/text, contract/source. */
const forbid = (patterns) => ({ 'no-restricted-imports': ['error', { patterns }] });
const nodeBuiltins = { group: ['node:*'], message: 'No Node here.' };
const outOf = (...names) => ({
  regex: `^(@opsimath/|(\\.\\./)+)(${names.join('|')})(/|$)`,
  message: 'Imports run one way (docs/architecture.md).',
});
const sqlElsewhere = { regex: '^(drizzle-orm|@libsql/client)', message: 'SQL lives in server/data only.' };
/** Nobody else speaks to the file: neither by the driver nor by statements handed on. */
const noStatements = [
  {
    selector:
      "CallExpression[callee.property.name=/^(execute|batch)$/][callee.object.property.name='client']",
    message: 'SQL lives in server/data only.',
  },
  { selector: "Property[key.name='sql']", message: 'SQL lives in server/data only.' },
];
const longest = (max) => ({
  'max-lines-per-function': ['error', { max, skipBlankLines: true, skipComments: true }],
});

export default tseslint.config(
  { ignores: ['**/dist/**', '**/node_modules/**', '.data/**', '.cache/**', '**/test-results/**'] },
  ...tseslint.configs.recommended,
  {
    rules: {
      '@typescript-eslint/consistent-type-imports': 'error',
      '@typescript-eslint/no-unused-vars': ['error', { argsIgnorePattern: '^_', varsIgnorePattern: '^_' }],
      'no-console': 'error',
      eqeqeq: 'error',
    },
  },
  {
    files: ['scripts/**', 'bench/**', '**/*.mjs'],
    languageOptions: { globals: globals.node },
    rules: { 'no-console': 'off' },
  },
  {
    files: ['core/**/*.ts'],
    ignores: ['**/*.test.ts'],
    rules: {
      ...forbid([nodeBuiltins, outOf('contract', 'server', 'standin', 'web', 'bench', 'e2e')]),
      'no-restricted-globals': ['error', 'process', 'window', 'document', 'fetch', 'setTimeout'],
      'no-restricted-properties': [
        'error',
        { object: 'Math', property: 'random', message: 'Seeds are passed in.' },
        { object: 'Date', property: 'now', message: 'The date is passed in.' },
      ],
    },
  },
  {
    files: ['contract/**/*.ts'],
    ignores: ['**/*.test.ts'],
    rules: forbid([nodeBuiltins, outOf('server', 'standin', 'web', 'bench', 'e2e')]),
  },
  {
    files: ['server/**/*.ts'],
    ignores: ['server/data/**', 'server/testing/**', '**/*.test.ts', 'server/drizzle.config.ts'],
    rules: {
      ...forbid([sqlElsewhere, outOf('standin', 'web', 'bench', 'e2e')]),
      'no-restricted-syntax': ['error', ...noStatements],
    },
  },
  {
    files: ['server/data/**/*.ts'],
    rules: forbid([outOf('standin', 'web', 'bench', 'e2e', 'http', 'work', 'sources')]),
  },
  {
    files: ['standin/**/*.ts'],
    ignores: ['**/*.test.ts'],
    rules: forbid([
      outOf('server', 'web', 'bench', 'e2e'),
      { regex: '^@opsimath/core/(?!text/)', message: 'The services know only core/text.' },
      { regex: '^@opsimath/contract/(?!source)', message: 'The services know only the source schemas.' },
    ]),
  },
  {
    files: ['web/**/*.{ts,tsx}'],
    plugins: { 'react-hooks': reactHooks },
    languageOptions: { globals: globals.browser },
    rules: {
      ...reactHooks.configs.recommended.rules,
      ...forbid([nodeBuiltins, outOf('server', 'standin', 'bench', 'e2e')]),
    },
  },
  { files: ['**/*.ts'], ignores: ['**/*.test.ts', 'e2e/**'], rules: longest(100) },
  { files: ['**/*.tsx'], rules: longest(150) },
  {
    files: ['web/parts/**'],
    rules: forbid([
      outOf('server', 'standin', 'stages'),
      { regex: '/stages/', message: 'Parts know no stage.' },
    ]),
  },
);
