import { inject } from '@angular/core';
import { Drafts } from './draft.service';
import { newKey } from './new-key';

/** What a booking is told apart by: its key, and the instant that was first sent. */
export interface Sending {
  readonly key: string;
  readonly happenedAt: string;
}

/**
 * The same content is sent as the same booking, also by a page that was loaded again in between: what got no answer is booked once. Other
 * content is another booking. Call it where effects may be made.
 * @param name of the draft that it is kept in
 */
export function sameSending(name: string): { readonly of: (content: object) => Sending; readonly done: () => void } {
  const none = () => ({ key: '', happenedAt: '', content: '' });
  const kept = inject(Drafts).open(name, none).value;
  return {
    of: (content) => {
      const now = JSON.stringify(content);
      if (kept().content !== now) kept.set({ key: newKey(), happenedAt: new Date().toISOString(), content: now });
      const { key, happenedAt } = kept();
      return { key, happenedAt };
    },
    done: () => kept.set(none()),
  };
}
