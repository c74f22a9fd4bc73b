import js from '@eslint/js';
import comments from '@eslint-community/eslint-plugin-eslint-comments';
import hooks from 'eslint-plugin-react-hooks';
import globals from 'globals';
import tseslint from 'typescript-eslint';

const star = { selector: 'ExportAllDeclaration', message: 'List names at a door.' };
const ban = (group, message) => ['error', { patterns: [{ group, message }] }];

export default tseslint.config(
  { ignores: ['dist/**', '.data/**', 'node_modules/**', '**/*.cjs'] },
  { linterOptions: { reportUnusedDisableDirectives: 'error' } },
  {
    files: ['scripts/**/*.mjs', 'packages/web/vite.config.ts'],
    ...js.configs.recommended,
    languageOptions: { globals: globals.node },
  },
  {
    files: ['packages/*/src/**/*.{ts,tsx}', 'packages/server/migrations/**/*.ts'],
    ignores: ['**/*.test.ts', 'packages/server/src/testing/**'],
    extends: [js.configs.recommended, ...tseslint.configs.recommendedTypeChecked],
    languageOptions: { parserOptions: { projectService: true, tsconfigRootDir: import.meta.dirname } },
    plugins: { comments },
    rules: {
      '@typescript-eslint/consistent-type-imports': 'error',
      '@typescript-eslint/no-floating-promises': 'error',
      '@typescript-eslint/no-misused-promises': ['error', { checksVoidReturn: { attributes: false, arguments: false } }],
      '@typescript-eslint/switch-exhaustiveness-check': 'error',
      '@typescript-eslint/no-explicit-any': 'error',
      '@typescript-eslint/no-unused-vars': ['error', { varsIgnorePattern: '^_', argsIgnorePattern: '^_' }],
      'comments/require-description': 'error',
      'no-restricted-syntax': ['error', star],
      'max-lines': ['error', { max: 300, skipComments: true, skipBlankLines: true }],
    },
  },
  {
    files: [
      '**/*.test.ts',
      'scripts/**/*.ts',
      'packages/server/src/testing/**/*.ts',
      'e2e/**/*.ts',
      'benchmarks/**/*.ts',
      'training/**/*.ts',
    ],
    extends: [js.configs.recommended, ...tseslint.configs.recommended],
    languageOptions: { parserOptions: { project: './tsconfig.tests.json', tsconfigRootDir: import.meta.dirname } },
    rules: {
      '@typescript-eslint/no-floating-promises': 'error',
      'no-restricted-syntax': [
        'error',
        { selector: "CallExpression[callee.property.name='only']", message: 'Run all tests.' },
        { selector: "CallExpression[callee.property.name='skip']", message: 'A test that does not run proves nothing.' },
        {
          selector: "CallExpression[callee.object.callee.name='expect'][callee.object.arguments.0.value=true]",
          message: 'This cannot fail.',
        },
      ],
    },
  },
  {
    files: ['packages/web/src/**/*.{ts,tsx}'],
    plugins: { 'react-hooks': hooks },
    // A form's starting values are typed by assertion: without it 'rack' would be a string. The rule does not see the inference.
    rules: {
      ...hooks.configs.recommended.rules,
      '@typescript-eslint/no-unnecessary-type-assertion': 'off',
      // Nothing is compiled by the React Compiler here.
      'react-hooks/incompatible-library': 'off',
    },
  },
  {
    files: ['packages/core/src/**/*.ts'],
    ignores: ['**/*.test.ts'],
    rules: {
      'no-restricted-imports': ban(
        ['node:*', '@freshet/*', 'express', 'sequelize', 'react'],
        'core is pure: take the value as an argument',
      ),
      'no-restricted-properties': [
        'error',
        { object: 'Date', property: 'now' },
        { object: 'Math', property: 'random' },
        { property: 'localeCompare' },
      ],
      'no-restricted-syntax': [
        'error',
        star,
        { selector: "NewExpression[callee.name='Date'][arguments.length=0]", message: 'Take `now`.' },
      ],
    },
  },
  {
    files: ['packages/server/src/**/*.service.ts'],
    rules: { 'no-restricted-imports': ban(['express', 'sequelize', '**/*.routes'], 'no HTTP, no SQL here') },
  },
  {
    files: ['packages/server/src/**/*.routes.ts'],
    rules: {
      'no-restricted-imports': ban(['sequelize', '**/*.repository', '@freshet/core/*'], 'parse, call the service, answer'),
    },
  },
);
