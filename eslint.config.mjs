import js from '@eslint/js';
import hooks from 'eslint-plugin-react-hooks';
import tseslint from 'typescript-eslint';

export default tseslint.config(
  {
    ignores: [
      '**/dist/**',
      '**/dist-types/**',
      'node_modules/**',
      'data/**',
      'test-results/**',
      '.mutation/**',
      'apps/server/migrations/**',
    ],
  },
  js.configs.recommended,
  tseslint.configs.recommended,
  {
    rules: {
      '@typescript-eslint/no-unused-vars': [
        'error',
        { argsIgnorePattern: '^_', varsIgnorePattern: '^_', ignoreRestSiblings: true },
      ],
      '@typescript-eslint/consistent-type-imports': 'error',
      '@typescript-eslint/no-non-null-assertion': 'off',
      'no-restricted-syntax': [
        'error',
        {
          selector: "CallExpression[callee.property.name='transaction'] > ArrowFunctionExpression[async=true]",
          message: 'Transactions are synchronous: an async one would commit before its work is done.',
        },
        { selector: 'ExportAllDeclaration', message: 'Name what a folder exports.' },
        {
          selector: ':matches(SpreadElement, JSXSpreadAttribute) > ObjectExpression',
          message: 'Write the properties out, one a line.',
        },
      ],
      eqeqeq: ['error', 'always', { null: 'ignore' }],
    },
  },
  {
    // the core is pure: no clock, no chance, nothing of the platform but what is passed in
    files: ['packages/core/src/**/*.ts'],
    ignores: ['**/*.test.ts'],
    rules: {
      'no-restricted-globals': [
        'error',
        'window',
        'document',
        'process',
        'performance',
        'setTimeout',
        'setInterval',
        'fetch',
      ],
      'no-restricted-properties': [
        'error',
        { object: 'Math', property: 'random' },
        { object: 'Date', property: 'now' },
      ],
    },
  },
  {
    files: ['apps/web/src/**/*.{ts,tsx}'],
    plugins: { 'react-hooks': hooks },
    rules: { 'react-hooks/rules-of-hooks': 'error', 'react-hooks/exhaustive-deps': 'error' },
  },
  // Nest reads the types of constructor parameters at run time
  { files: ['apps/server/src/**/*.ts'], rules: { '@typescript-eslint/consistent-type-imports': 'off' } },
  { files: ['**/*.test.ts', '**/*.test.tsx'], rules: { '@typescript-eslint/no-explicit-any': 'off' } },
  {
    // what stands between the application and the server
    files: ['apps/web/sw.js'],
    languageOptions: {
      globals: Object.fromEntries(
        [
          'addEventListener',
          'caches',
          'clients',
          'fetch',
          'location',
          'skipWaiting',
          'setTimeout',
          'BroadcastChannel',
          'Headers',
          'Response',
          'URL',
        ].map((name) => [name, 'readonly']),
      ),
    },
  },
  {
    files: ['scripts/**', '**/*.mjs', '*.cjs', 'benchmarks/**'],
    languageOptions: {
      globals: {
        globalThis: 'readonly',
        process: 'readonly',
        console: 'readonly',
        module: 'writable',
        setTimeout: 'readonly',
        fetch: 'readonly',
        performance: 'readonly',
        URL: 'readonly',
        Buffer: 'readonly',
        clearTimeout: 'readonly',
        document: 'readonly',
        window: 'readonly',
      },
    },
  },
);
