import { computed, inject, Injectable, signal } from '@angular/core';
import { evidenced } from '@hygromet/contract/known-facts';
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

  isLookedAt = (fact: RecordFact): boolean => this.looked().includes(fact);
  /** Whether looking at it would make it surer. */
  isToSee = (facts: SystemFacts, fact: RecordFact): boolean => !isFirm(facts.known?.[fact]?.how);

  look(fact: RecordFact): void {
    this.looked.update((before) => (before.includes(fact) ? before.filter((other) => other !== fact) : [...before, fact]));
  }

  /** What is stored: each fact with how it is known. */
  evidenced(before: SystemFacts, after: SystemFacts): SystemFacts {
    const changed = evidenced(before, after, this.now(this.way() ?? 'reported'));
    return evidenced(changed, after, this.now('seen'), this.looked());
  }

  forget(): void {
    this.looked.set([]);
  }

  private now = (how: Evidence['how']): Evidence => ({ how, by: this.preferences().person, at: new Date().toISOString() });
}
