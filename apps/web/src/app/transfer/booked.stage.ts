import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { RouterLink } from '@angular/router';
import { pumpDowns } from '@hygromet/core/planning/method';
import { worthAnother } from '@hygromet/core/twin/alarm/next-cylinder';
import { Units } from '../preferences/units.service';
import { BigNumber } from '../ui/big-number';
import { Caution } from '../ui/caution';
import { valueOf } from '../ui/loadable';
import { WeightBeam } from '../ui/weight-beam';
import { FillSession } from './fill.session';

/** After the booking: what is left until the stop, and both accounts as the ledger has them. */
@Component({
  selector: 'hy-booked-stage',
  imports: [BigNumber, Caution, RouterLink, WeightBeam],
  template: `
    @let c = cylinder();
    <section class="main-column" aria-label="Booked" i18n-aria-label>
      @if (session.draft().booked; as booked) {
        @if (stopKg(); as stop) {
          <hy-big-number what="Booked. Left until the stop weight" i18n-what [number]="left().number" [unit]="left().unit">
            <p i18n>
              moved <b>{{ session.onScale(booked.movement.massKg) }}</b>
            </p>
            <p i18n>
              {{ c.name }} now holds <b>{{ session.onScale(booked.to.massKg) }}</b>
            </p>
            <p i18n>stop at {{ session.onScale(stop, 'down') }} gross</p>
          </hy-big-number>
          <hy-weight-beam [tareKg]="c.tareKg" [nowKg]="c.tareKg + booked.to.massKg" [stopKg]="stop" [unit]="session.scaleUnit()" />
        }
        @if (booked.overfilledByKg; as over) {
          <hy-caution i18n [grave]="true"
            >{{ c.name }} is overfilled by {{ session.onScale(over, 'up') }}. Move that much into an empty cylinder now, and keep it cool
            until then.</hy-caution
          >
        }
        @if (booked.overdrawnByKg; as over) {
          <hy-caution i18n [grave]="true"
            >The ledger shows {{ session.onScale(over, 'up') }} more taken out of {{ booked.from.name }} than was in it. Check its entries:
            a charge that nobody booked, another plate, or a transfer that was booked twice.</hy-caution
          >
        }
        <table class="accounts">
          <caption i18n class="unseen">
            Both accounts after the booking
          </caption>
          <thead>
            <tr>
              <th i18n scope="col">Account</th>
              <th i18n scope="col" class="number">this entry</th>
              <th i18n scope="col" class="number">holds now</th>
            </tr>
          </thead>
          <tbody>
            <tr>
              <th scope="row">{{ booked.from.name }}</th>
              <td class="number">−{{ units.massText(booked.movement.massKg) }}</td>
              <td class="number">{{ units.massText(booked.from.massKg) }}</td>
            </tr>
            <tr>
              <th scope="row">{{ booked.to.name }}</th>
              <td class="number">+{{ units.massText(booked.movement.massKg) }}</td>
              <td class="number">{{ units.massText(booked.to.massKg) }}</td>
            </tr>
          </tbody>
        </table>
        <p i18n class="second">
          Recorded by {{ booked.movement.recordedBy }}. An entry is never edited: a wrong one is reversed on the cylinder's page.
        </p>
        <div class="actions">
          @if (booked.movement.visit; as visit) {
            @if (more(); as kg) {
              @if (fits(kg)) {
                <button i18n type="button" class="button main" (click)="session.again()">
                  Go on into {{ c.name }}, {{ units.massText(kg) }} left
                </button>
              } @else {
                <a i18n class="button main" [routerLink]="['/visits', visit, 'transfer']" (click)="session.again()"
                  >Next cylinder, {{ units.massText(kg) }} left</a
                >
              }
            }
            <a
              i18n
              class="button"
              [class.main]="more() === undefined"
              [routerLink]="['/visits', visit, 'account']"
              (click)="session.again()"
              >Continue to the account</a
            >
          }
          <a i18n class="button" [class.main]="booked.movement.visit === null" [routerLink]="['/cylinders', c.id]" (click)="session.again()"
            >View cylinder</a
          >
          @if (booked.movement.visit === null) {
            <button i18n type="button" class="button" (click)="session.again()">Start another transfer</button>
          }
        </div>
      }
    </section>
  `,
  styleUrls: ['../ui/columns.css', './stage.css'],
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class BookedStage {
  protected readonly session = inject(FillSession);
  protected readonly units = inject(Units);
  protected readonly cylinder = computed(() => valueOf(this.session.cylinder())!); // the page shows this stage only with its cylinder
  private readonly booked = computed(() => this.session.draft().booked);
  /** As it was told before the transfer, and never above the limit of what is in it now. */
  protected readonly stopKg = computed(() => {
    const { limits, movement } = this.booked() ?? {};
    return limits ? Math.min(limits.stopGrossKg, movement?.target?.grossKg ?? Infinity) : undefined;
  });
  /** What is left in the system of the visit by the record, where it is worth another cylinder. */
  protected readonly more = computed(() => {
    const from = this.booked()?.from;
    // what was pumped down stays in the system
    const method = this.session.visit()?.plan?.method;
    if (method !== undefined && pumpDowns.includes(method)) return undefined;
    return from?.kind === 'system' && worthAnother(from.massKg) ? from.massKg : undefined;
  });
  private readonly roomKg = computed(() => (this.stopKg() ?? 0) - this.cylinder().tareKg - (this.booked()?.to.massKg ?? 0));
  protected fits = (kg: number): boolean => kg <= this.roomKg();
  protected readonly left = computed(() => this.units.mass(Math.max(0, this.roomKg()), 'down', this.session.scaleUnit()));
}
