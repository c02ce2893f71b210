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
/** Texts of the interface stand in web/words, a folder a language: none in what draws. */
const bareText = (() => {
  const message = 'Texts stand in web/words; t() or <Told> shows them.';
  const letters = '/[A-Za-z]{2}/';
  const shown = 'JSXElement > JSXExpressionContainer';
  const said = '/^(title|label|aria-label|placeholder|tip|head|alt|okText|cancelText|take|empty|action)$/';
  return [
    `JSXText[value=${letters}]`,
    `JSXAttribute[name.name=${said}] > Literal[value=${letters}]`,
    `JSXAttribute[name.name=${said}] TemplateElement[value.raw=/[a-z]{2} | [a-z]{2}/]`,
    'JSXAttribute[name.name="name"] > Literal[value=/^[A-Z][a-z]|[a-z] [a-z]/]',
    `${shown} > Literal[value=${letters}]`,
    `${shown} > :matches(ConditionalExpression, LogicalExpression) > Literal[value=${letters}]`,
    `${shown} > TemplateLiteral > TemplateElement[value.raw=${letters}]`,
    `${shown} > :matches(ConditionalExpression, LogicalExpression) > TemplateLiteral > TemplateElement[value.raw=${letters}]`,
    `Property[key.name=/^(title|label|head|tip|placeholder|heading)$/] > Literal[value=${letters}]`,
    `CallExpression[callee.object.name='message'] > Literal[value=${letters}]`,
  ].map((selector) => ({ selector, message }));
})();
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
  { files: ['web/**/*.test.{ts,tsx}'], rules: forbid([outOf('server', 'standin', 'bench', 'e2e')]) },
  {
    files: ['web/{parts,shell,stages,state}/**/*.{ts,tsx}'],
    ignores: ['**/*.test.{ts,tsx}'],
    rules: { 'no-restricted-syntax': ['error', ...bareText] },
  },
  {
    files: ['scripts/**/*.cjs'],
    languageOptions: { globals: { ...globals.node, ...globals.jest } },
    rules: { '@typescript-eslint/no-require-imports': 'off' },
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
