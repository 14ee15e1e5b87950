import eslint from '@eslint/js';
import tseslint from 'typescript-eslint';

/**
 * What is read with its types, and what any program is held to. ESLint has what only it knows: Angular with its templates, and the rules of
 * this house (`eslint.config.mjs`).
 */

/** Syntax errors wherever a file is a module: no linter has to look for them. */
const SYNTAX_ERRORS = ['no-octal', 'no-dupe-args'];

/**
 * The rules of a published set, by the names they have here.
 * @param {{ rules?: Record<string, any> }[]} sets @returns {Record<string, any>}
 */
const rulesOf = (...sets) =>
  Object.fromEntries(
    Object.entries(Object.assign({}, ...sets.map(({ rules }) => rules)))
      .filter(([name, setting]) => ![setting].flat().includes('off') && !SYNTAX_ERRORS.includes(name))
      .map(([name, setting]) => [name.replace('@typescript-eslint/', 'typescript/'), setting]),
  );

/** @param {string[]} names */
const off = (...names) => Object.fromEntries(names.map((name) => [name, 'off']));

/** Dependencies point one way: web → contract → core; server → contract, core; core depends on nothing. @param {string} regex @param {string} message */
const direction = (regex, message) => ({ 'no-restricted-imports': ['error', { patterns: [{ regex, message }] }] });

export default {
  plugins: ['typescript', 'import'],
  categories: { correctness: 'off' },
  ignorePatterns: ['dist/', '.data/', '.angular/', '**/test-results/', '**/playwright-report/'],
  env: { builtin: true, es2024: true, node: true, browser: true },
  rules: rulesOf(eslint.configs.recommended),
  overrides: [
    {
      files: ['**/*.ts'],
      rules: {
        ...rulesOf(...tseslint.configs.strictTypeChecked),
        ...off('no-undef', 'getter-return'), // the compiler knows
        'no-unused-vars': ['error', { argsIgnorePattern: '^_', varsIgnorePattern: '^_' }],
        'typescript/no-non-null-assertion': 'off', // indexed access in the numeric core; elsewhere each has its reason beside it
        'typescript/consistent-type-imports': 'error',
        'typescript/restrict-template-expressions': ['error', { allowNumber: true }],
        'typescript/no-confusing-void-expression': ['error', { ignoreArrowShorthand: true, ignoreVoidOperator: true }],
        'typescript/no-unnecessary-condition': ['error', { allowConstantLoopConditions: true }],
        'typescript/no-extraneous-class': ['error', { allowWithDecorator: true }],
        'typescript/no-unnecessary-type-parameters': 'off', // a caller names what its rule reads
        // an abstract class is the token of what is provided, as a plain object
        'typescript/no-unsafe-class-instance-assignment': 'off',
        'import/no-cycle': 'error',
      },
    },
    {
      // answers of the server and of the browser come as they come: a test says what it expects of them
      files: ['**/*.test.ts', '**/test/**/*.ts', 'e2e/**/*.ts'],
      rules: off(
        'typescript/no-unsafe-argument',
        'typescript/no-unsafe-assignment',
        'typescript/no-unsafe-call',
        'typescript/no-unsafe-member-access',
        'typescript/no-unsafe-return',
        'typescript/restrict-plus-operands',
        'typescript/restrict-template-expressions',
        'typescript/no-unnecessary-condition', // a stand-in for what the browser may not have
        'typescript/no-confusing-void-expression',
        'typescript/no-meaningless-void-operator',
        'typescript/no-dynamic-delete',
        'typescript/no-base-to-string',
        'typescript/no-unnecessary-type-parameters',
        'typescript/use-unknown-in-catch-callback-variable',
        'typescript/unbound-method',
      ),
    },
    {
      files: ['packages/core/**/*.ts'],
      rules: direction('^@hygromet/contract|(^|/)(contract|apps)/', 'core depends on nothing.'),
    },
    {
      files: ['packages/core/src/**/*.ts'],
      excludeFiles: ['**/*.test.ts'],
      rules: {
        ...direction('^[^.]', 'core depends on nothing.'),
        'no-restricted-globals': ['error', 'Date', 'window', 'document', 'process', 'performance', 'fetch', 'localStorage'],
        'no-restricted-properties': ['error', { object: 'Math', property: 'random', message: 'core is given its randomness.' }],
      },
    },
    { files: ['packages/contract/**/*.ts'], rules: direction('(^|/)apps/', 'contract depends on core alone.') },
    { files: ['apps/server/**/*.ts'], rules: direction('\\.\\./web/(src|test)/', 'the server does not know the interface.') },
    {
      files: ['apps/web/**/*.ts'],
      rules: {
        ...direction('\\.\\./server/(src|test)/', 'web speaks to the server through the contract.'),
        // services hold streams; values of core that a template needs are imported as types where they are types
        'typescript/consistent-type-imports': 'off',
      },
    },
  ],
};
