// @ts-check
import { RuleTester } from 'eslint';
import test from 'node:test';
import tseslint from 'typescript-eslint';
import { sentenceIsMessage } from './sentence-is-message.mjs';

RuleTester.describe = (_, body) => body();
RuleTester.it = (name, body) => test(name, body);

new RuleTester({ languageOptions: { parser: /** @type {any} */ (tseslint.parser) } }).run('sentence-is-message', sentenceIsMessage, {
  valid: [
    'const text = $localize`Close the valve.`;',
    'const text = $localize`Fill ${name} now`;',
    "const state = 'not-needed';",
    "if (state === 'Not needed') go();",
    "throw new Error('no cylinder was given');",
    "const wide = matchMedia('(max-width: 900px) and (hover)');",
    'const key = `receipt.${id}`;',
    "@Component({ template: '<p i18n>Close the valve</p>' }) class Page {}",
    "import { a } from 'some where';",
  ],
  invalid: [
    { code: "const text = 'Close the valve.';", errors: [{ messageId: 'plain' }] },
    { code: "const label = { fan: 'Fan' };", errors: [{ messageId: 'plain' }] },
    { code: 'const text = `Drawing of ${name}`;', errors: [{ messageId: 'plain' }] },
    { code: "const text = late ? 'due since Monday' : '';", errors: [{ messageId: 'plain' }] },
  ],
});
