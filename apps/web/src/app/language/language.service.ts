import { DOCUMENT, inject, Injectable } from '@angular/core';
import { keepLanguage, keptLanguage, SOURCE_LOCALE, type KeptLanguage } from './kept-language';
import { languageOf, languages } from './languages';
import { locale } from './locale';

/** The language of the interface, a choice of this device. */
@Injectable({ providedIn: 'root' })
export class LanguageService {
  private readonly document = inject(DOCUMENT);
  readonly current = locale();
  readonly choices = Object.entries(languages).map(([value, { name }]) => ({ value, label: name }));

  /** Fetches the messages, keeps them on the device, and begins anew with them. @returns whether the device could keep them */
  async choose(chosen: string): Promise<boolean> {
    const kept = keepLanguage(await this.withMessages(chosen));
    if (kept) this.document.defaultView?.location.reload();
    return kept;
  }

  /** Messages of a newer program, for the next time: what is kept may be older than it. */
  async renew(): Promise<void> {
    const kept = keptLanguage();
    if (kept === undefined) return;
    const now = await this.withMessages(kept.locale);
    if (JSON.stringify(now) !== JSON.stringify(kept)) keepLanguage(now);
  }

  private async withMessages(chosen: string): Promise<KeptLanguage> {
    const known = chosen in languages ? chosen : SOURCE_LOCALE;
    return { locale: known, messages: await languageOf(known).messages() };
  }
}
