// @ts-check

/** What is spelled otherwise in the United Kingdom, of the words that the interface uses. */
const SPELLINGS = {
  vapor: 'vapour',
  vapors: 'vapours',
  labeled: 'labelled',
  relabeled: 'relabelled',
  neighbor: 'neighbour',
  neighbors: 'neighbours',
  meter: 'metre',
  meters: 'metres',
  liter: 'litre',
  liters: 'litres',
  energize: 'energise',
  color: 'colour',
  gray: 'grey',
};
const WORD = new RegExp(`\\b(${Object.keys(SPELLINGS).join('|')})\\b`, 'gi');

/** A message in British spelling; names of placeholders are left as they are. @param {string} message */
export const inBritish = (message) =>
  message
    .split(/(\{\$[^}]*\})/)
    .map((part) => (part.startsWith('{$') ? part : part.replace(WORD, spelled)))
    .join('');

/** @param {string} word */
function spelled(word) {
  const british = SPELLINGS[/** @type {keyof typeof SPELLINGS} */ (word.toLowerCase())];
  return /^[A-Z]/.test(word) ? british.charAt(0).toUpperCase() + british.slice(1) : british;
}
