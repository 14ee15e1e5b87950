import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { cleaningSteps, findingNow, refrigerantTests, testResults } from '@hygromet/core/account/refrigerant-tests';
import { errorIn } from '../../data/mutation';
import { Units } from '../../preferences/units.service';
import { ChoiceField } from '../../ui/choice-field';
import { momentText } from '../../ui/day';
import { emptyEntry, readQuantity, type QuantityEntry } from '../../ui/quantity-entry';
import { QuantityField } from '../../ui/quantity-field';
import { TextField } from '../../ui/text-field';
import { VisitJob } from '../visit-job';
import { cleaningText, findingText, testText } from './account-labels';
import { ReactiveFormsModule } from '@angular/forms';
import { draftForm } from '../../forms/draft-form';
import { quantity } from '../../forms/validators';

interface TestDraft {
  readonly test: (typeof refrigerantTests)[number];
  readonly result: (typeof testResults)[number];
  readonly kit: string;
}
interface CleaningDraft {
  readonly step: (typeof cleaningSteps)[number];
  readonly purged: QuantityEntry;
}

/** Samples of what was recovered, each with its kit and date, and what was done to clean it. */
@Component({
  selector: 'hy-refrigerant-record',
  imports: [ChoiceField, QuantityField, ReactiveFormsModule, TextField],
  template: `
    <h3 i18n>Tests and cleaning</h3>
    <ul class="findings">
      @for (item of findings(); track item.name) {
        <li [class]="item.finding">
          <b>{{ item.name }}</b> <span>{{ item.text }}</span>
        </li>
      }
    </ul>
    @if (history().length > 0) {
      <ol class="history second">
        @for (line of history(); track $index) {
          <li>{{ line }}</li>
        }
      </ol>
    }
    @if (job.open()) {
      <form novalidate [formGroup]="testing.form" (ngSubmit)="test()">
        <hy-choice-field label="Test" i18n-label [choices]="tests" formControlName="test" />
        <hy-choice-field label="Result" i18n-label [choices]="results" formControlName="result" />
        <hy-text-field label="Kit" i18n-label placeholder="as its box says" i18n-placeholder formControlName="kit" />
        <button i18n type="submit" class="button" [disabled]="busy()">Log test</button>
      </form>
      <form novalidate [formGroup]="cleaning.form" (ngSubmit)="clean()">
        <hy-choice-field label="Cleaning" i18n-label [choices]="steps" formControlName="step" />
        @if (cleaning.value().step === 'purge') {
          <hy-quantity-field
            label="Purged"
            i18n-label
            hint="about; into a recovery cylinder, never to the air"
            i18n-hint
            kind="charge"
            formControlName="purged"
          />
        }
        <button i18n type="submit" class="button" [disabled]="busy()">Log cleaning</button>
      </form>
    }
    @if (refused(); as sentence) {
      <p class="over" role="alert">{{ sentence }}</p>
    }
  `,
  styleUrl: './stage.css',
  styles: `
    :host {
      gap: 12px;
    }

    .findings {
      display: flex;
      flex-wrap: wrap;
      gap: 6px 24px;
    }

    .findings li {
      display: inline-flex;
      gap: 6px;
    }

    .pass span {
      color: var(--fine);
    }

    .fail span {
      color: var(--danger);
      font-weight: 600;
    }

    .test-again span {
      color: var(--caution);
    }

    .history {
      padding-left: 18px;
    }

    form {
      display: flex;
      flex-wrap: wrap;
      align-items: end;
      gap: 12px 16px;
    }

    form > :not(button) {
      flex: 1 1 170px;
      max-width: 260px;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class RefrigerantRecord {
  protected readonly job = inject(VisitJob);
  private readonly units = inject(Units);
  protected readonly tests = refrigerantTests.map((value) => ({ value, label: testText[value].toLowerCase() }));
  protected readonly results = testResults.map((value) => ({ value, label: value === 'pass' ? $localize`passed` : $localize`failed` }));
  protected readonly steps = cleaningSteps.map((value) => ({ value, label: cleaningText[value] }));
  protected readonly testing = draftForm<TestDraft>(
    `refrigerant-test.${this.job.id}`,
    () => ({ test: 'acid', result: 'pass', kit: '' }),
    {},
  );
  protected readonly cleaning = draftForm<CleaningDraft>(
    `refrigerant-cleaning.${this.job.id}`,
    () => ({ step: 'drier', purged: emptyEntry('oz') }),
    { fields: { purged: [quantity('charge', { optional: true })] } },
  );
  protected readonly findings = computed(() => {
    const { refrigerantTests: tests = [], cleaning = [] } = this.job.visit() ?? {};
    return refrigerantTests.map((test) => {
      const finding = findingNow(tests, cleaning, test);
      return { name: testText[test], finding, text: findingText[finding] };
    });
  });
  protected readonly history = computed(() => {
    const { refrigerantTests: tests = [], cleaning = [] } = this.job.visit() ?? {};
    const lines = [
      ...tests.map(({ test, result, kit, at, by }) => ({
        at,
        text: `${testText[test]} ${result === 'pass' ? $localize`passed` : $localize`failed`}${kit === '' ? '' : `, ${kit}`}, ${by}`,
      })),
      ...cleaning.map(({ step, massKg, at, by }) => ({
        at,
        text: `${cleaningText[step]}${massKg === null ? '' : $localize`, about ${this.units.massText(massKg)}`}, ${by}`,
      })),
    ];
    return lines.sort((a, b) => a.at.localeCompare(b.at)).map(({ at, text }) => `${momentText(at)}: ${text}`);
  });
  private readonly addingTest = this.job.adding(() => this.testing.form.controls.kit.setValue(''));
  private readonly addingCleaning = this.job.adding(() => this.cleaning.renew());
  private readonly states = [this.addingTest.state, this.addingCleaning.state];
  protected readonly busy = computed(() => this.states.some((state) => state().state === 'busy'));
  protected readonly refused = computed(() => this.states.map((state) => errorIn(state())).find((sentence) => sentence !== undefined));

  protected test(): void {
    const { test, result, kit } = this.testing.value();
    this.addingTest.send({ kind: 'refrigerant-tested', test, result, kit: kit.trim() });
  }

  protected clean(): void {
    const { step, purged: typed } = this.cleaning.value();
    const purged = readQuantity('charge', typed);
    if (step === 'purge' && purged.state === 'bad') return;
    const massKg = step === 'purge' && purged.state === 'good' ? { massKg: purged.si } : {};
    this.addingCleaning.send({ kind: 'cleaned', step, ...massKg });
  }
}
