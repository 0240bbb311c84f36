import { readFileSync } from 'node:fs';
import hooks from 'eslint-plugin-react-hooks';
import tseslint from 'typescript-eslint';

/** Files that hold a function of over 60 lines today: the list may only shrink. */
const LONG_TODAY = JSON.parse(readFileSync(new URL('./long-functions.json', import.meta.url), 'utf8')).map(
  (f) => f.replace(/[[\]()]/g, '\\$&'),
);

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
  { ignores: ['.next/', '.rubrica/', 'node_modules/', 'next-env.d.ts', 'tests/architecture/violations/'] },
  ...tseslint.configs.strict,
  {
    files: ['**/*.{ts,tsx}'],
    plugins: { 'react-hooks': hooks },
    languageOptions: { parserOptions: { projectService: true, tsconfigRootDir: import.meta.dirname } },
    rules: {
      '@typescript-eslint/no-explicit-any': 'error',
      '@typescript-eslint/no-floating-promises': 'error',
      'no-restricted-imports': [
        'error',
        { name: 'next/link', message: 'Use ui/kit/link.tsx, which fetches nothing ahead.' },
      ],
      '@typescript-eslint/no-misused-promises': ['error', { checksVoidReturn: { attributes: false } }],
      '@typescript-eslint/switch-exhaustiveness-check': [
        'error',
        { considerDefaultExhaustiveForUnions: true },
      ],
      '@typescript-eslint/no-unused-vars': ['error', { argsIgnorePattern: '^_', varsIgnorePattern: '^_' }],
      '@typescript-eslint/unified-signatures': 'off',
      'react-hooks/rules-of-hooks': 'error',
      'react-hooks/exhaustive-deps': ['error', { additionalHooks: '^$' }],
      'max-lines': ['error', { max: 320, skipBlankLines: true, skipComments: true }],
      eqeqeq: ['error', 'always', { null: 'ignore' }],
    },
  },
  {
    files: ['src/**/*.{ts,tsx}', 'cli/**/*.ts'],
    ignores: ['**/*.test.{ts,tsx}', ...LONG_TODAY],
    rules: {
      'max-lines-per-function': ['error', { max: 60, skipBlankLines: true, skipComments: true, IIFEs: true }],
    },
  },
  {
    files: ['tests/**/*.ts', '**/*.test.ts'],
    rules: { 'max-lines': ['error', { max: 500, skipBlankLines: true, skipComments: true }] },
  },
  {
    files: ['src/core/**/*.ts'],
    ignores: ['**/*.test.ts'],
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
