// @ts-check
import { buildWeb, WEB_ROOT } from './lib/build.mjs';
import { inBritish } from './lib/british.mjs';
import { compared, messagesIn, messagesOf, otherLocales, SOURCE_LOCALE, writeMessages } from './lib/messages.mjs';
import { fail, say, Stop } from './lib/say.mjs';

const BRITISH = 'en-GB';

/** The catalogue of messages, as the built application has them. With `--check` nothing is written: a file that is not up to date stops it. */
async function main() {
  await buildWeb();
  const found = await messagesIn(WEB_ROOT);
  if (process.argv.includes('--check')) return checkFiles(found);
  writeMessages(SOURCE_LOCALE, found);
  writeMessages(BRITISH, Object.fromEntries(Object.entries(found).map(([id, text]) => [id, inBritish(text)])));
  for (const locale of otherLocales()) {
    const own = messagesOf(locale);
    const { missing, gone } = compared(found, own);
    if (gone.length > 0) writeMessages(locale, Object.fromEntries(Object.entries(own).filter(([id]) => id in found)));
    for (const id of missing) say(`${locale} lacks ${id}: ${found[id]}`);
  }
  say(`${Object.keys(found).length} messages`);
}

/** @param {import('./lib/messages.mjs').Messages} found */
function checkFiles(found) {
  const off = [SOURCE_LOCALE, ...otherLocales()].flatMap((locale) => {
    const { missing, gone } = compared(found, messagesOf(locale));
    return missing.length + gone.length === 0 ? [] : [`${locale}: ${missing.length} missing, ${gone.length} of no use any more`];
  });
  if (off.length > 0) throw new Stop(`The messages are not those of the application.\n${off.join('\n')}\nTo renew them: npm run messages`);
}

main().catch(fail);
