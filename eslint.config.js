import js from '@eslint/js';
import tseslint from 'typescript-eslint';
import reactHooks from 'eslint-plugin-react-hooks';

const outsideCore = ['react', 'react-dom', 'react-router', 'express', 'knex', 'pg', 'node:*', 'fs', 'path'];

export default tseslint.config(
  { ignores: ['**/dist/**', '**/node_modules/**', 'test-results/**', '.dependency-cruiser.cjs'] },
  js.configs.recommended,
  {
    files: ['**/*.ts', '**/*.tsx'],
    extends: [...tseslint.configs.recommendedTypeChecked],
    languageOptions: {
      parserOptions: {
        project: ['tsconfig.json', 'packages/web/tsconfig.json'],
        tsconfigRootDir: import.meta.dirname,
      },
    },
    rules: {
      // prettier keeps the width; what it cannot part is a sentence, which stays whole
      'max-len': [
        'error',
        {
          code: 120,
          comments: 150,
          ignoreTrailingComments: true,
          ignoreStrings: true,
          ignoreTemplateLiterals: true,
          ignoreRegExpLiterals: true,
          ignorePattern: 'prettier-ignore|className=|eslint-disable',
        },
      ],
      '@typescript-eslint/no-unused-vars': ['error', { argsIgnorePattern: '^_', varsIgnorePattern: '^_' }],
      '@typescript-eslint/consistent-type-imports': 'error',
      '@typescript-eslint/switch-exhaustiveness-check': ['error', { considerDefaultExhaustiveForUnions: true }],
      '@typescript-eslint/no-unused-expressions': 'off', // chai's property assertions
    },
  },
  {
    files: ['packages/core/src/**/*.ts'],
    ignores: ['**/*.test.ts'],
    rules: { 'no-restricted-imports': ['error', { patterns: outsideCore }] },
  },
  {
    files: ['packages/server/src/repositories/**/*.ts'],
    rules: { '@typescript-eslint/no-unnecessary-type-assertion': 'off' }, // rows come untyped from Knex and are named here
  },
  {
    files: ['**/*.test.ts', 'packages/*/test/**/*.ts'],
    rules: {
      // tests break documents on purpose and judge answers field by field
      '@typescript-eslint/no-explicit-any': 'off',
      '@typescript-eslint/no-unsafe-member-access': 'off',
      '@typescript-eslint/no-unsafe-assignment': 'off',
      '@typescript-eslint/no-unsafe-argument': 'off',
      '@typescript-eslint/no-unsafe-call': 'off',
      '@typescript-eslint/no-unsafe-return': 'off',
      '@typescript-eslint/require-await': 'off',
    },
  },
  {
    files: ['packages/web/src/**/*.tsx', 'packages/web/src/**/*.ts'],
    extends: [reactHooks.configs.flat.recommended],
    rules: { '@typescript-eslint/unbound-method': 'off' }, // props are written as methods and passed on
  },
  {
    files: ['**/*.mjs', '*.js'],
    languageOptions: {
      globals: {
        process: 'readonly',
        console: 'readonly',
        setTimeout: 'readonly',
        setInterval: 'readonly',
        fetch: 'readonly',
        URL: 'readonly',
        performance: 'readonly',
      },
    },
  },
);
