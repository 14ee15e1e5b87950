import angular from 'angular-eslint';
import tseslint from 'typescript-eslint';
import { numberOfTheTrade } from './scripts/lint/number-of-the-trade.mjs';
import { sentenceIsMessage } from './scripts/lint/sentence-is-message.mjs';

/** What only ESLint knows: Angular with its templates, and the rules of this house. Everything else is in `oxlint.config.mjs`. */

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
  { ignores: ['dist/', '.data/', '.angular/'] },
  // what is switched off on a line is oxlint's to compare with its findings
  { linterOptions: { reportUnusedDisableDirectives: 'off' } },
  {
    files: ['apps/**/*.ts', 'packages/contract/**/*.ts'],
    extends: [tseslint.configs.base],
    rules: {
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
);
