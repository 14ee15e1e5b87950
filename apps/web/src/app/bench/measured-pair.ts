import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { Units } from '../preferences/units.service';
import { Caution } from '../ui/caution';
import { ChoiceField } from '../ui/choice-field';
import { valueOf, type Loadable } from '../ui/loadable';
import { QuantityField } from '../ui/quantity-field';
import type { MeasuredAt } from './bench-draft';
import { BenchSession } from './bench.session';
import { restWords, subcoolingWords, superheatWords, type ReadingWords } from './reading-labels';
import { Computing } from '../ui/computing';

const MOST_SHOWN = 8;

/** A pressure and a temperature measured together, and what they say. */
@Component({
  selector: 'hy-measured-pair',
  imports: [Computing, Caution, ChoiceField, QuantityField],
  template: `
    @let draft = session.draft();
    <h2 i18n>Pressure/temperature check</h2>
    <div class="fields">
      <hy-choice-field
        label="Measured at"
        i18n-label
        [choices]="places"
        [value]="draft.measuredAt"
        (valueChange)="session.change({ measuredAt: $any($event) })"
      />
      <hy-quantity-field
        label="Gauge reads"
        i18n-label
        kind="pressure"
        [entry]="draft.measuredPressure"
        (entryChange)="session.change({ measuredPressure: $event })"
      />
      <hy-quantity-field
        [label]="draft.measuredAt === 'rest' ? phrases.temperatureOfTheLiquid : phrases.temperatureOfTheLine"
        kind="temperature"
        [hint]="draft.measuredAt === 'rest' ? phrases.onTheWallLowDown : ''"
        [entry]="draft.measuredTemperature"
        (entryChange)="session.change({ measuredTemperature: $event })"
      />
    </div>
    @if (words(); as said) {
      <div class="said" role="status" [hyComputing]="answer()">
        <p class="heading">{{ said.heading }}</p>
        @if (said.caution) {
          <hy-caution>{{ said.sentence }}</hy-caution>
        } @else {
          <p class="second">{{ said.sentence }}</p>
        }
      </div>
    } @else if (refused(); as sentence) {
      <hy-caution>{{ sentence }}</hy-caution>
    } @else {
      <p i18n class="second">Enter gauge and thermometer readings to get superheat, subcooling or a check for non-condensables.</p>
    }
    @if (named().length > 0) {
      <h3 i18n>A liquid that reads this could be</h3>
      <ul>
        @for (candidate of named(); track candidate.id) {
          <li [class.own]="candidate.id === session.name()">
            <b>{{ candidate.id }}</b> <span class="second">{{ units.pressure(candidate.pBubble) }}</span>
          </li>
        }
      </ul>
      <p i18n class="small">
        {{ more() > 0 ? phrases.and + more() + phrases.more : '' }}Pressure proves nothing by itself: many refrigerants share a curve, and
        air shifts it. Only an identifier or a laboratory tells.
      </p>
    }
  `,
  styleUrl: './measured-pair.css',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class MeasuredPair {
  protected readonly phrases = {
    temperatureOfTheLiquid: $localize`Temperature of the liquid`,
    temperatureOfTheLine: $localize`Temperature of the line`,
    onTheWallLowDown: $localize`on the wall, low down, after it has settled`,
    and: $localize`And `,
    more: $localize` more. `,
  } as const;

  protected readonly session = inject(BenchSession);
  protected readonly units = inject(Units);
  protected readonly places: readonly { value: MeasuredAt; label: string }[] = [
    { value: 'rest', label: $localize`a cylinder or system at rest` },
    { value: 'suction', label: $localize`the suction line, running` },
    { value: 'liquid', label: $localize`the liquid line, running` },
  ];

  protected readonly answer = computed<Loadable<ReadingWords>>(() => {
    const pair = this.session.measured();
    if (pair === undefined) return { state: 'waiting' };
    const { measuredAt } = this.session.draft();
    switch (measuredAt) {
      case 'rest':
        return told(this.session.atRest(), (rest) => restWords(this.session.name(), pair.p, rest, this.units));
      case 'suction':
        return told(this.session.superheat(), (superheat) => superheatWords(superheat, pair.T, pair.p, this.units));
      case 'liquid':
        return told(this.session.subcooling(), (subcooling) => subcoolingWords(subcooling, pair.T, pair.p, this.units));
      default:
        return measuredAt satisfies never;
    }
  });
  protected readonly words = computed(() => valueOf(this.answer()));
  protected readonly refused = computed(() => {
    const answer = this.answer();
    return answer.state === 'failed' ? answer.sentence : undefined;
  });

  private readonly found = computed(() => valueOf(this.session.candidates()) ?? []);
  protected readonly named = computed(() => this.found().slice(0, MOST_SHOWN));
  protected readonly more = computed(() => this.found().length - this.named().length);
}

const told = <A>(answer: Loadable<A>, say: (value: A) => ReadingWords): Loadable<ReadingWords> =>
  answer.state === 'ready' ? { ...answer, value: say(answer.value) } : answer;
