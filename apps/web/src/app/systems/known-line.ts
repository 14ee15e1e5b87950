import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import type { SystemFacts } from '@hygromet/contract/system';
import type { RecordFact } from '@hygromet/core/circuit/evidence';
import { evidenceText, shortEvidence, wayNames } from './evidence-labels';
import { FactsEvidence } from './facts-evidence';

/** Under a fact: how it is known, and one press for who has just looked at it. */
@Component({
  selector: 'hy-known-line',
  template: `
    @if (evidence.isChanged(fact())) {
      <span class="told" [class.now]="evidence.way() !== undefined">{{ changed() }}</span>
    } @else if (evidence.isLookedAt(fact())) {
      <span i18n class="told now">Seen now, once saved</span>
      <button i18n type="button" class="link" (click)="evidence.look(fact())">undo</button>
    } @else {
      <span [title]="full()">{{ text() }}</span>
      @if (isToSee()) {
        <button i18n type="button" class="link" (click)="evidence.look(fact())">I see it so</button>
      }
    }
  `,
  styles: `
    :host {
      display: flex;
      flex-wrap: wrap;
      align-items: baseline;
      gap: 0 10px;
      color: var(--ink-2);
      font-size: 13.5px;
    }

    .link {
      font-weight: 500;
    }

    .told {
      font-weight: 600;
    }

    .now {
      color: var(--fine);
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class KnownLine {
  protected readonly evidence = inject(FactsEvidence);
  readonly facts = input.required<SystemFacts>();
  readonly fact = input.required<RecordFact>();
  protected readonly text = computed(() => shortEvidence(this.facts().known?.[this.fact()]));
  protected readonly full = computed(() => evidenceText(this.facts().known?.[this.fact()]));
  /** Of what is typed: how it will be known. */
  protected readonly changed = computed(() => {
    const way = this.evidence.way();
    return way === undefined ? $localize`Changed, not saved` : $localize`Changed, ${wayNames[way]} once saved`;
  });
  protected readonly isToSee = computed(() => this.evidence.isToSee(this.facts(), this.fact()));
}
