import next from 'eslint-config-next';
import nextTs from 'eslint-config-next/typescript';

const config = [
  {
    ignores: [
      '.next/**',
      'next-env.d.ts',
      'public/**',
      'test-results/**',
      'playwright-report/**',
      '.bench/**',
      'src/core/kernels/assembly/**',
    ],
  },
  ...next,
  ...nextTs,
  {
    rules: {
      '@typescript-eslint/no-unused-vars': ['error', { argsIgnorePattern: '^_', varsIgnorePattern: '^_' }],
      '@typescript-eslint/consistent-type-imports': 'error',
      eqeqeq: 'error',
      'no-console': 'error',
      // Pictures come out of this browser's own records; there is no image server.
      '@next/next/no-img-element': 'off',
      // Warns of the virtualiser for the sake of the React Compiler, which is not in use here.
      'react-hooks/incompatible-library': 'off',
    },
  },
  {
    files: ['src/**/*.{ts,tsx}'],
    rules: { 'max-lines': ['error', { max: 300 }] },
  },
  {
    files: ['src/**/*.{ts,tsx}', 'scenes/**/*.ts'],
    ignores: ['**/*.test.{ts,tsx}', '**/fixtures/**'],
    rules: {
      'max-lines-per-function': ['error', { max: 120, skipBlankLines: true, skipComments: true }],
      complexity: ['error', 20],
      'max-len': ['error', { code: 120, ignoreUrls: true }],
      'no-restricted-syntax': [
        'error',
        {
          selector:
            "BinaryExpression[operator='+'][left.type=/Literal$/][right.type='TemplateLiteral'], BinaryExpression[operator='+'][left.type='TemplateLiteral'][right.type=/Literal$/]",
          message: 'a sentence longer than a line is built from named parts, in a module of words.',
        },
      ],
    },
  },
  {
    // Inner loops that run for every ray and every pixel: a call in them is felt.
    files: ['scenes/render/{cast,denoise,trace}.ts'],
    rules: { complexity: ['error', 26] },
  },
  {
    files: ['src/**/*.tsx'],
    rules: {
      'react/forbid-elements': [
        'error',
        {
          forbid: ['button', 'select', 'table', 'textarea', 'dialog'].map((element) => ({
            element,
            message: 'use React-Bootstrap’s part; a house part of it lies in ui/parts.',
          })),
        },
      ],
    },
  },
  {
    files: ['src/core/**/*.ts'],
    ignores: ['**/*.test.ts'],
    rules: {
      'no-restricted-globals': [
        'error',
        'window',
        'document',
        'fetch',
        'console',
        'performance',
        'crypto',
        'setTimeout',
      ],
      'no-restricted-properties': [
        'error',
        { object: 'Math', property: 'random', message: 'Randomness is passed in: see core/random.ts.' },
        { object: 'Date', property: 'now', message: 'The clock is passed in.' },
      ],
    },
  },
  { files: ['scripts/**', 'bench/**', 'scenes/*.ts', 'fuzz/run.ts'], rules: { 'no-console': 'off' } },
];

export default config;
