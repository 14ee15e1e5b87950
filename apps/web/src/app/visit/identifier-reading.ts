import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import type { Instrument } from '@hygromet/contract/instrument';
import { identified, MOST_AIR_PERCENT, sampleOf, type IdentifiedVerdict } from '@hygromet/core/instruments/identified';
import { errorIn } from '../data/mutation';
import { Units } from '../preferences/units.service';
import { Caution } from '../ui/caution';
import { clockText } from '../ui/day';
import { HeardInstruments } from './live/heard-instruments';
import { VisitJob } from './visit-job';

/** A sample is of the system that one stands at for so long. */
const SAMPLED_WITHIN_MS = 30 * 60_000;

/** What a refrigerant identifier says of this system, beside what its record says; kept with the visit by a button. */
@Component({
  selector: 'hy-identifier-reading',
  imports: [Caution],
  template: `
    @if (sample(); as s) {
      <section aria-label="Identifier" i18n-aria-label>
        @if (s.verdict === 'as-recorded') {
          <p role="status">{{ text() }}</p>
        } @else {
          <hy-caution [grave]="s.verdict === 'another'">{{ text() }}</hy-caution>
        }
        @if (job.open() && !kept()) {
          <button i18n type="button" class="button small" [disabled]="adding.state().state === 'busy'" (click)="keep()">
            Keep with the visit
          </button>
        }
        @if (refused(); as sentence) {
          <p class="over" role="alert">{{ sentence }}</p>
        }
      </section>
    }
  `,
  styles: `
    section {
      display: grid;
      justify-items: start;
      gap: 8px;
      margin: 12px 0;
    }

    p {
      margin: 0;
    }

    .over {
      color: var(--danger);
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class IdentifierReading {
  /** As the system is recorded. */
  readonly recorded = input.required<string>();
  protected readonly job = inject(VisitJob);
  private readonly units = inject(Units);
  private readonly heard = toSignal<readonly Instrument[], readonly Instrument[]>(inject(HeardInstruments).heard$, { initialValue: [] });

  protected readonly sample = computed(() => {
    const samples = this.heard().flatMap(({ id, facts }) => {
      const sample = sampleOf(facts);
      return sample === undefined ? [] : [{ ...sample, id, atMs: 1000 * sample.at, verdict: identified(sample, this.recorded()) }];
    });
    return samples.filter(({ atMs }) => Date.now() - atMs < SAMPLED_WITHIN_MS).sort((a, b) => b.atMs - a.atMs)[0];
  });
  /** What it shows, as it is kept. */
  private readonly shown = computed(() => {
    const { id, refrigerant, airPercent } = this.sample()!;
    const air = airPercent === undefined ? $localize`air not measured` : `${this.units.decimal(airPercent, 1)} % air`;
    return $localize`${refrigerant}, ${air}, by ${id}`;
  });
  protected readonly text = computed(() => {
    const { atMs, verdict } = this.sample()!;
    return `${clockText(atMs)}: ${this.shown()}. ${this.says(verdict)}`;
  });
  protected readonly kept = computed(
    () => this.job.visit()?.readings.some(({ step, text }) => step === 'identifier' && text === this.shown()) ?? false,
  );
  protected readonly adding = this.job.adding();
  protected readonly refused = computed(() => errorIn(this.adding.state()));

  protected keep(): void {
    this.adding.send({ kind: 'read', step: 'identifier', text: this.shown() });
  }

  private says(verdict: IdentifiedVerdict): string {
    switch (verdict) {
      case 'as-recorded':
        return $localize`As the system is recorded.`;
      case 'air':
        return $localize`More than the ${this.units.decimal(MOST_AIR_PERCENT, 1)} % that AHRI 700 allows (from memory): recover it apart, let it rest, purge it.`;
      case 'another':
        return $localize`The record says ${this.recorded()}. Do not mix it: an empty cylinder, labeled with what was found, and the record of the system corrected first.`;
      default:
        return verdict satisfies never;
    }
  }
}
