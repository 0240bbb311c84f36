import tseslint from 'typescript-eslint';

// What the core may not even say. Everything else is linted by oxlint (.oxlintrc.json), which knows the types.

const closedCoreSyntax = (imports) => [
  'error',
  { selector: 'ImportExpression', message: 'The core imports nothing on the fly.' },
  {
    selector: 'NewExpression[callee.name="Date"][arguments.length=0]',
    message: 'The clock is an argument.',
  },
  {
    selector: 'MemberExpression[object.name="Date"][property.name="now"]',
    message: 'The clock is an argument.',
  },
  {
    selector: 'MemberExpression[object.name="Math"][property.name="random"]',
    message: 'The random source is an argument.',
  },
  {
    selector: `ImportDeclaration[source.value=${imports}]`,
    message: 'The core imports only itself, by relative paths; the sums also zod.',
  },
];

const closedCore = [
  ...[
    'document',
    'window',
    'process',
    'globalThis',
    'fetch',
    'setTimeout',
    'console',
    'crypto',
    'performance',
    'Buffer',
    'navigator',
    'localStorage',
  ].map((name) => ({ name, message: 'The core is closed: no outside world. Take it as an argument.' })),
];

export default tseslint.config(
  { ignores: ['.next/', '.rubrica/', 'node_modules/'] },
  {
    files: ['src/core/**/*.ts'],
    ignores: ['**/*.test.ts'],
    languageOptions: { parser: tseslint.parser },
    rules: {
      'no-restricted-globals': ['error', ...closedCore],
      'no-restricted-syntax': closedCoreSyntax('/^[^.]/'),
    },
  },
  {
    files: ['src/core/sums/*.ts'],
    ignores: ['**/*.test.ts'],
    rules: { 'no-restricted-syntax': closedCoreSyntax('/^(?!zod$)[^.]/') },
  },
);
