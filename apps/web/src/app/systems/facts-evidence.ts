import { computed, inject, Injectable, signal } from '@angular/core';
import { changedFacts, evidenced } from '@hygromet/contract/known-facts';
import type { Evidence, SystemFacts } from '@hygromet/contract/system';
import { isFirm, waysKnown, type RecordFact } from '@hygromet/core/circuit/evidence';
import { PreferencesService } from '../preferences/preferences.service';

/** How what is being changed of a system's facts is known, and what was looked at and found as it is on record. */
@Injectable()
export class FactsEvidence {
  private readonly preferences = inject(PreferencesService).current;
  /** How the person knows what he changes; empty until he says so. */
  readonly how = signal('');
  private readonly looked = signal<readonly RecordFact[]>([]);
  readonly way = computed(() => waysKnown.find((way) => way === this.how()));

  /** What is typed and not saved yet is not what anybody on record has found. */
  private readonly typed = signal<() => readonly RecordFact[]>(() => []);

  /** @param changed what the form says otherwise than the record */
  follow(changed: () => readonly RecordFact[]): void {
    this.typed.set(changed);
  }

  isChanged = (fact: RecordFact): boolean => this.typed()().includes(fact);
  isLookedAt = (fact: RecordFact): boolean => this.looked().includes(fact);
  /** Whether looking at it would make it surer. */
  isToSee = (facts: SystemFacts, fact: RecordFact): boolean => !isFirm(facts.known?.[fact]?.how);

  look(fact: RecordFact): void {
    this.looked.update((before) => (before.includes(fact) ? before.filter((other) => other !== fact) : [...before, fact]));
  }

  /** What is stored: each fact with how it is known. */
  evidenced(before: SystemFacts, after: SystemFacts): SystemFacts {
    const changed = changedFacts(before, after);
    // what was looked at and then changed was not found as it stood
    const alike = this.looked().filter((fact) => !changed.includes(fact));
    return evidenced(evidenced(before, after, this.now(this.way() ?? 'reported')), after, this.now('seen'), alike);
  }

  forget(): void {
    this.looked.set([]);
  }

  private now = (how: Evidence['how']): Evidence => ({ how, by: this.preferences().person, at: new Date().toISOString() });
}
