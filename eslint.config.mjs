import a11y from 'eslint-plugin-jsx-a11y';
import hooks from 'eslint-plugin-react-hooks';
import regexp from 'eslint-plugin-regexp';
import importSort from 'eslint-plugin-simple-import-sort';
import ts from 'typescript-eslint';
import { callAfterDeclaration } from './scripts/lint/callAfterDeclaration.mjs';

// Rules that need types are oxlint's (`.oxlintrc.json`): a promise that nobody waits for, a switch that forgets a case.
export default ts.config(
  { ignores: ['node_modules', 'dist', '.data', 'test-results', 'playwright-report'] },
  ...ts.configs.recommended,
  {
    rules: {
      '@typescript-eslint/no-unused-vars': [
        'error',
        { argsIgnorePattern: '^_', varsIgnorePattern: '^_' },
      ],
      'no-console': 'off',
      eqeqeq: 'error',
      'no-nested-ternary': 'error',
    },
  },
  {
    // What is used before it is declared fails when it runs. Functions may stand below the code that uses them, but not
    // within a function, where constants may lie between.
    files: ['**/*.ts', '**/*.tsx'],
    plugins: { limnos: { rules: { 'call-after-declaration': callAfterDeclaration } } },
    rules: {
      'limnos/call-after-declaration': 'error',
      '@typescript-eslint/no-use-before-define': [
        'error',
        {
          functions: false,
          classes: true,
          variables: true,
          typedefs: false,
          ignoreTypeReferences: true,
        },
      ],
    },
  },
  {
    // Node, packages, the core, the contracts, then files nearby: the same order everywhere.
    files: ['**/*.ts', '**/*.tsx', '**/*.mjs'],
    plugins: { 'import-sort': importSort },
    rules: {
      'import-sort/imports': [
        'error',
        {
          groups: [
            [
              '^\\u0000',
              '^node:',
              '^@?\\w',
              '^#core',
              '^#contracts',
              '^\\.\\.(?!/?$)',
              '^\\.\\./?$',
              '^\\.',
            ],
          ],
        },
      ],
    },
  },
  {
    // People type and send text of any length: an expression that goes back over it again and again would hold the
    // server for minutes.
    files: ['src/**/*.ts', 'src/**/*.tsx'],
    plugins: { regexp },
    rules: {
      'regexp/no-super-linear-backtracking': ['error', { report: 'potential' }],
      'regexp/no-super-linear-move': ['error', { report: 'potential' }],
    },
  },
  {
    files: ['src/**/*.ts', 'src/**/*.tsx'],
    rules: {
      'no-restricted-syntax': [
        'error',
        { selector: 'ExportAllDeclaration', message: 'Name what leaves: no export *.' },
        { selector: 'ExportDefaultDeclaration', message: 'No default exports.' },
      ],
    },
  },
  {
    // The core is given its clock and its chance.
    files: ['src/core/**/*.ts'],
    ignores: ['**/*.test.ts'],
    rules: {
      'no-restricted-properties': [
        'error',
        { object: 'Date', property: 'now' },
        { object: 'Math', property: 'random' },
      ],
      'no-restricted-syntax': [
        'error',
        { selector: 'NewExpression[callee.name="Date"]', message: 'The clock is an argument.' },
        { selector: 'ExportAllDeclaration', message: 'Name what leaves: no export *.' },
        { selector: 'ExportDefaultDeclaration', message: 'No default exports.' },
      ],
    },
  },
  {
    // A spec reads as what people do; where things are on a page is the drivers' to know.
    files: ['e2e/specs/**/*.ts'],
    rules: {
      'no-restricted-syntax': [
        'error',
        {
          selector: 'CallExpression[callee.property.name=/^(locator|getBy[A-Z].*)$/]',
          message: 'Find it in a driver.',
        },
      ],
    },
  },
  {
    files: ['src/web/**/*.ts', 'src/web/**/*.tsx'],
    plugins: { 'react-hooks': hooks },
    rules: { 'react-hooks/rules-of-hooks': 'error', 'react-hooks/exhaustive-deps': 'error' },
  },
  {
    files: ['src/web/**/*.tsx'],
    plugins: { 'jsx-a11y': a11y },
    rules: {
      ...a11y.flatConfigs.recommended.rules,
      // A wide table or chart that scrolls must be within reach of the keys (WCAG 2.1.1): such a group takes the focus.
      'jsx-a11y/no-noninteractive-tabindex': ['error', { tags: [], roles: ['group', 'tabpanel'] }],
      // Only fields that a touch has just opened take the focus: whoever opened them is about to type.
      'jsx-a11y/no-autofocus': 'off',
    },
  },
  { files: ['e2e/**/*.ts'], rules: { 'no-empty-pattern': 'off' } },
  { files: ['**/*.cjs'], rules: { '@typescript-eslint/no-require-imports': 'off' } },
);
