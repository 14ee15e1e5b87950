// @ts-check
import { RuleTester } from 'eslint';
import test from 'node:test';
import { numberOfTheTrade } from './number-of-the-trade.mjs';

RuleTester.describe = (_, body) => body();
RuleTester.it = (name, body) => test(name, body);

new RuleTester().run('number-of-the-trade', numberOfTheTrade, {
  valid: [
    'const SILENT_MS = 60 * 1000;',
    'const LABEL_WIDTH_PX = 96;',
    'const [LEFT, RIGHT] = [1, 2];',
    'const LIMIT = rules.limit;',
    'const kelvins = 3;',
    "const KEY = 'x';",
  ],
  invalid: [
    { code: 'const LONG_FULL_DAYS = 90;', errors: [{ messageId: 'named' }] },
    { code: 'const MARGIN = -8;', errors: [{ messageId: 'named' }] },
    { code: 'const HALF = 1 / 2;', errors: [{ messageId: 'named' }] },
    { code: 'const kelvins = t + 273.15;', errors: [{ messageId: 'known' }] },
    { code: 'const ROOM_K = 298.15;', errors: [{ messageId: 'named' }, { messageId: 'known' }] },
  ],
});
