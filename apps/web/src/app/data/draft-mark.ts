/** Stands in a stored draft beside what was typed: its version, who wrote it last, and on which text they built. */
export interface DraftMark {
  readonly version: number;
  readonly stamp: string;
  /** The stamp of the text that was on their screen; nothing where they began. */
  readonly base: string | null;
}

const FIELD = '~';

export const marked = (draft: object, mark: DraftMark): string => JSON.stringify({ ...draft, [FIELD]: mark });

/** What was stored, apart from its mark. One without is of the first version, and nobody's. */
export function unmarked(stored: unknown): { readonly text: unknown; readonly mark: DraftMark } {
  const first: DraftMark = { version: 1, stamp: '', base: null };
  if (typeof stored !== 'object' || stored === null || Array.isArray(stored)) return { text: stored, mark: first };
  const { [FIELD]: mark, ...text } = stored as Record<string, unknown>;
  return { text, mark: isMark(mark) ? mark : first };
}

const isMark = (mark: unknown): mark is DraftMark =>
  typeof mark === 'object' && mark !== null && 'version' in mark && typeof mark.version === 'number' && 'stamp' in mark && 'base' in mark;
