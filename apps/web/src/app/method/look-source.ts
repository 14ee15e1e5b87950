import { computed, inject, Injectable, InjectionToken, signal, type Signal } from '@angular/core';
import { of, type Observable } from 'rxjs';
import { Drafts } from '../data/draft.service';
import { PreferencesService } from '../preferences/preferences.service';
import { lookOf, newKeptLook, type KeptLook, type LookDraft } from './look-draft';

/** The system that is looked at. */
export const SYSTEM_ID = new InjectionToken<string>('the system that is looked at');

/** Where a look is kept: on the device before a visit is open, with the visit afterwards. */
export abstract class LookSource {
  abstract readonly draft: Signal<LookDraft>;
  /** Why what was seen is not saved yet; it stays on the device until it is. */
  abstract readonly unsaved: Signal<string | undefined>;
  /** Share of the charge by a running check, where one was made on this visit. */
  abstract readonly ranShare: Signal<number | undefined>;
  abstract change(part: Partial<LookDraft>): void;
  /** Once all that was changed is where it is kept, without waiting until the fingers rest; fails where it cannot be kept there. */
  abstract sent$(): Observable<void>;
}

/** Kept on this device alone: what might be done, before anybody goes there. */
@Injectable()
export class LookOnDevice implements LookSource {
  private readonly preferences = inject(PreferencesService).current;
  private readonly stored = inject(Drafts).open<KeptLook>(`look.${inject(SYSTEM_ID)}`, () => newKeptLook(this.preferences()));
  readonly draft = computed(() => lookOf(this.stored.value()));
  readonly unsaved = signal(undefined);
  readonly ranShare = signal(undefined);

  change(part: Partial<LookDraft>): void {
    this.stored.value.update((draft) => ({ ...draft, ...part }));
  }

  sent$ = (): Observable<void> => of(undefined);
}
