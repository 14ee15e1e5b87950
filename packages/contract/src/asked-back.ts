/** What a booking may be asked back about; alone in its file, so that a page can name it without the contract behind it. */
export const questions = ['perhaps-twice', 'ledger-differs', 'clock-off'] as const;
export type Question = (typeof questions)[number];
