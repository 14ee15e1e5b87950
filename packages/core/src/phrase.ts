/** A piece of a sentence: words, or a quantity in SI that the reader sees in the units of the device. Pressures are absolute. */
export type PhrasePiece = string | { readonly temperatureK: number } | { readonly pressurePa: number };
export type Phrase = readonly PhrasePiece[];

/** A phrase as a template: phrase`At ${{ temperatureK: 366 }} there is no liquid.` */
export const phrase = (words: TemplateStringsArray, ...values: readonly PhrasePiece[]): Phrase =>
  words.flatMap((word, k) => (k < values.length ? [word, values[k]!] : [word])).filter((entry) => entry !== '');

const SHOWN_DIGITS = 6;

/** In SI, for readers that are programs. */
export const phraseInSI = (pieces: Phrase): string =>
  pieces
    .map((piece) => {
      if (typeof piece === 'string') return piece;
      return 'temperatureK' in piece
        ? `${Number(piece.temperatureK.toPrecision(SHOWN_DIGITS))} K`
        : `${Number(piece.pressurePa.toPrecision(SHOWN_DIGITS))} Pa`;
    })
    .join('');
