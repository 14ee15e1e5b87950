import eslint from '@eslint/js';
import angular from 'angular-eslint';
import prettier from 'eslint-config-prettier';
import { createTypeScriptImportResolver } from 'eslint-import-resolver-typescript';
import { importX } from 'eslint-plugin-import-x';
import tseslint from 'typescript-eslint';
import { numberOfTheTrade } from './scripts/lint/number-of-the-trade.mjs';
import { sentenceIsMessage } from './scripts/lint/sentence-is-message.mjs';

/** Dependencies point one way: web → contract → core; server → contract, core; core depends on nothing. */
const direction = [
  { target: './packages/core', from: ['./packages/contract', './apps'], message: 'core depends on nothing.' },
  { target: './packages/contract', from: './apps', message: 'contract depends on core alone.' },
  { target: './apps/web', from: './apps/server', message: 'web speaks to the server through the contract.' },
  { target: './apps/server', from: './apps/web', message: 'the server does not know the interface.' },
];

/** Rules that look at types read each file as a program has it: what runs in Node is one, so that the core is read once for all of it. */
const programs = ['tsconfig.lint.json', 'apps/web/tsconfig.spec.json', 'apps/web/tsconfig.worker.json', 'e2e/tsconfig.json'];

/** Attributes of templates that nobody reads: names of drawings, kinds of fields, places of labels. */
const READ_BY_PROGRAMS = [
  ...[
    'scope',
    'kind',
    'hyIcon',
    'd',
    'text-anchor',
    'quantity',
    'fact',
    'inputmode',
    'data-stamp',
    'nzFor',
    'nzId',
    'accept',
    'rel',
    'mark',
  ],
  ...['aria-labelledby', 'aria-describedby', 'aria-live', 'aria-orientation', 'ariaCurrentWhenActive', 'patternUnits', 'patternTransform'],
  ...['cdkDropListData', 'cdkDropListConnectedTo', 'nzPlacement', 'nzLayout', 'nzDirection', 'loading', 'download', 'clip-path', 'capture'],
];

const house = { rules: { 'number-of-the-trade': numberOfTheTrade, 'sentence-is-message': sentenceIsMessage } };

export default tseslint.config(
  { ignores: ['dist/', '.data/', '.angular/', '**/test-results/', '**/playwright-report/'] },
  eslint.configs.recommended,
  {
    files: ['**/*.ts'],
    extends: [...tseslint.configs.strictTypeChecked],
    languageOptions: { parserOptions: { project: programs, tsconfigRootDir: import.meta.dirname } },
    plugins: { 'import-x': importX },
    settings: { 'import-x/resolver-next': [createTypeScriptImportResolver({ project: 'tsconfig.base.json' })] },
    rules: {
      '@typescript-eslint/no-unused-vars': ['error', { argsIgnorePattern: '^_', varsIgnorePattern: '^_' }],
      '@typescript-eslint/no-non-null-assertion': 'off', // indexed access in the numeric core; elsewhere each has its reason beside it
      '@typescript-eslint/consistent-type-imports': 'error',
      '@typescript-eslint/restrict-template-expressions': ['error', { allowNumber: true }],
      '@typescript-eslint/no-confusing-void-expression': ['error', { ignoreArrowShorthand: true, ignoreVoidOperator: true }],
      '@typescript-eslint/no-unnecessary-condition': ['error', { allowConstantLoopConditions: true }],
      '@typescript-eslint/no-extraneous-class': ['error', { allowWithDecorator: true }],
      '@typescript-eslint/no-unnecessary-type-parameters': 'off', // a caller names what its rule reads
      // an abstract class is the token of what is provided, as a plain object
      '@typescript-eslint/no-unsafe-class-instance-assignment': 'off',
      'import-x/no-cycle': 'error',
      'import-x/no-restricted-paths': ['error', { basePath: import.meta.dirname, zones: direction }],
      'no-restricted-syntax': [
        'error',
        {
          selector: "ImportDeclaration[source.value='zod'] > ImportSpecifier[imported.name='z']",
          message: "import * as z from 'zod': the named import brings every language along.",
        },
      ],
    },
  },
  {
    // answers of the server and of the browser come as they come: a test says what it expects of them
    files: ['**/*.test.ts', '**/test/**/*.ts', 'e2e/**/*.ts'],
    rules: {
      '@typescript-eslint/no-unsafe-argument': 'off',
      '@typescript-eslint/no-unsafe-assignment': 'off',
      '@typescript-eslint/no-unsafe-call': 'off',
      '@typescript-eslint/no-unsafe-member-access': 'off',
      '@typescript-eslint/no-unsafe-return': 'off',
      '@typescript-eslint/restrict-plus-operands': 'off',
      '@typescript-eslint/restrict-template-expressions': 'off',
      '@typescript-eslint/no-unnecessary-condition': 'off', // a stand-in for what the browser may not have
      '@typescript-eslint/no-confusing-void-expression': 'off',
      '@typescript-eslint/no-meaningless-void-operator': 'off',
      '@typescript-eslint/no-dynamic-delete': 'off',
      '@typescript-eslint/no-base-to-string': 'off',
      '@typescript-eslint/no-unnecessary-type-parameters': 'off',
      '@typescript-eslint/use-unknown-in-catch-callback-variable': 'off',
      '@typescript-eslint/unbound-method': 'off',
    },
  },
  {
    files: ['packages/core/src/**/*.ts'],
    ignores: ['**/*.test.ts'],
    rules: {
      'no-restricted-globals': ['error', 'Date', 'window', 'document', 'process', 'performance', 'fetch', 'localStorage'],
      'no-restricted-properties': ['error', { object: 'Math', property: 'random', message: 'core is given its randomness.' }],
      'no-restricted-imports': ['error', { patterns: [{ regex: '^[^.]', message: 'core depends on nothing.' }] }],
    },
  },
  {
    files: ['apps/web/src/**/*.ts', 'apps/server/src/**/*.ts', 'packages/contract/src/**/*.ts'],
    ignores: ['**/*.test.ts', 'apps/server/src/demo/**'],
    plugins: { house },
    rules: { 'house/number-of-the-trade': 'error' },
  },
  {
    files: ['apps/web/src/app/**/*.ts'],
    // formats of files have one set of headings in every language; names of languages stand in their own
    ignores: [
      '**/*.test.ts',
      '**/*-sheet.ts',
      '**/*-files.ts',
      '**/*worker*.ts',
      '**/language/languages.ts',
      '**/data/server-data.service.ts',
    ],
    plugins: { house },
    rules: { 'house/sentence-is-message': 'error' },
  },
  {
    files: ['apps/web/**/*.ts'],
    extends: [...angular.configs.tsRecommended],
    processor: angular.processInlineTemplates,
    rules: {
      '@angular-eslint/component-selector': [
        'error',
        [
          { type: 'element', prefix: 'hy', style: 'kebab-case' },
          { type: 'attribute', prefix: 'hy', style: 'camelCase' },
        ],
      ],
      '@angular-eslint/prefer-on-push-component-change-detection': 'error',
      // services hold streams; values of core that a template needs are imported as types where they are types
      '@typescript-eslint/consistent-type-imports': 'off',
    },
  },
  {
    files: ['apps/web/**/*.html'],
    extends: [...angular.configs.templateRecommended, ...angular.configs.templateAccessibility],
  },
  {
    // the page of the program itself is there before any language is
    files: ['apps/web/src/app/**/*.html'],
    ignores: ['**/*.test.ts/**'],
    rules: {
      '@angular-eslint/template/i18n': [
        'error',
        {
          checkId: false,
          checkAttributes: true,
          allowMarkupInContent: true,
          // liters, alone
          boundTextAllowedPattern: '^[^A-Za-z]*L$',
          ignoreAttributes: READ_BY_PROGRAMS,
        },
      ],
    },
  },
  {
    files: ['**/*.mjs', '**/*.cjs', 'apps/web/public/*.js', 'apps/instruments/src/page/*.js'],
    languageOptions: {
      globals: Object.fromEntries(
        [
          'process',
          'console',
          'fetch',
          'globalThis',
          'performance',
          'setTimeout',
          'setInterval',
          'AbortSignal',
          'Response',
          'self',
          'Buffer',
          'URL',
          'module',
          'document',
          'localStorage',
          'matchMedia',
          'FormData',
          'Option',
          'window',
        ].map((name) => [name, 'readonly']),
      ),
    },
  },
  prettier,
);
