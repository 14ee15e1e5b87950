import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import { of, switchMap } from 'rxjs';
import { Registers } from '../../live/registers.service';
import { MethodSession } from '../../method/method.session';
import { Units } from '../../preferences/units.service';
import { loadable, valueOf, waiting } from '../../ui/loadable';
import { StageMark } from '../stage-mark';
import { VisitJob } from '../visit-job';
import { momentText } from '../../ui/day';

const ENTRIES = 200;

/** What was on record before, what came out by the scale, and what is left by the ledger. */
@Component({
  selector: 'hy-account-stage',
  imports: [StageMark],
  template: `
    @if (job.visit(); as visit) {
      <h2>{{ visit.recovered.bookings === 0 ? 'Nothing is logged yet' : units.massText(visit.recovered.massKg) + ' recovered' }}</h2>
      <table>
        <caption class="unseen">
          The charge of this visit
        </caption>
        <thead>
          <tr>
            <th scope="col">Where it is</th>
            <th scope="col" class="number">{{ units.mass(0).unit }}</th>
          </tr>
        </thead>
        <tbody>
          <tr>
            <th scope="row">On record before this visit</th>
            <td class="number">{{ units.mass(beforeKg()).number }}</td>
          </tr>
          @for (entry of entries(); track entry.id) {
            <tr>
              <th scope="row">
                {{ entry.to.name }} <span class="second">{{ moment(entry.happenedAt) }}, {{ entry.recordedBy }}</span>
              </th>
              <td class="number">−{{ units.mass(entry.massKg).number }}</td>
            </tr>
          }
          <tr>
            <th scope="row">
              <b>{{ leftKg() < 0 ? 'More came out than was on record' : 'Left in the system by the ledger' }}</b>
            </th>
            <td class="number">
              <b>{{ units.mass(leftKg()).number }}</b>
            </td>
          </tr>
        </tbody>
      </table>
      @if (visit.recovered.bookings === 0) {
        <p class="second">Weigh the cylinder before and after: what is logged on this visit appears here.</p>
      }
      <hy-stage-mark [ask]="'Where is the rest?'" done="The charge is balanced" />
    }
  `,
  styleUrl: './stage.css',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class AccountStage {
  protected readonly job = inject(VisitJob);
  private readonly session = inject(MethodSession);
  private readonly registers = inject(Registers);
  protected readonly units = inject(Units);
  protected readonly moment = momentText;
  private readonly system = computed(() => this.job.visit()?.system.id);
  private readonly movements = toSignal(
    toObservable(this.system).pipe(
      switchMap((account) => (account === undefined ? of(waiting) : loadable(this.registers.movements$(ENTRIES, { account })))),
    ),
    { initialValue: waiting },
  );
  /** What was taken out on this visit and stands. */
  protected readonly entries = computed(() =>
    (valueOf(this.movements()) ?? []).filter(
      ({ visit, from, reversedBy }) => visit === this.job.id && from.id === this.system() && reversedBy === null,
    ),
  );
  protected readonly leftKg = computed(() => {
    const system = valueOf(this.session.system());
    return system === undefined ? 0 : system.overdrawnByKg === null ? system.contentKg : -system.overdrawnByKg;
  });
  protected readonly beforeKg = computed(() => this.leftKg() + this.entries().reduce((sum, { massKg }) => sum + massKg, 0));
}
