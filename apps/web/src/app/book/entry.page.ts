import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import { ActivatedRoute, RouterLink } from '@angular/router';
import type { Movement } from '@hygromet/contract/movement';
import { map, of, switchMap } from 'rxjs';
import { objectionWords } from '../cylinders/objection-labels';
import { fromServer, serverReader } from '../data/from-server';
import { ServerData } from '../data/server-data.service';
import { Units } from '../preferences/units.service';
import { ReadState } from '../shell/read-state';
import { accountPage } from '../ui/account-page';
import { momentText } from '../ui/day';
import { valueOf, waiting } from '../ui/loadable';
import { PageHead } from '../ui/page-head';
import { durationText } from '../visit/live/live-labels';
import { saveTrace } from '../visit/live/transfer-files';
import { TransferTrace } from '../visit/live/transfer-trace';
import { transferOf } from './transfer-of';

/** One entry of the ledger: what moved, how it is known, who booked it, and the trace of its transfer where it was followed. */
@Component({
  selector: 'hy-entry-page',
  imports: [PageHead, ReadState, RouterLink, TransferTrace],
  template: `
    @switch (entry().state) {
      @default {
        <hy-read-state [of]="entry()" what="entry" i18n-what><a i18n class="button" routerLink="/book">Back to the log</a></hy-read-state>
      }
      @case ('ready') {
        @if (movement(); as m) {
          <hy-page-head title="{{ units.massText(m.massKg) }}, {{ m.from.name }} to {{ m.to.name }}" i18n-title [line]="line(m)">
            <a i18n class="button" routerLink="/book">Log</a>
          </hy-page-head>
          <div class="body">
            <dl class="figures">
              @for (side of [m.from, m.to]; track $index) {
                <div>
                  <dt>
                    @if ($first) {
                      <ng-container i18n>From</ng-container>
                    } @else {
                      <ng-container i18n>To</ng-container>
                    }
                  </dt>
                  <dd>
                    @if (pageOf(side); as page) {
                      <a [routerLink]="page">{{ side.name }}</a>
                    } @else {
                      {{ side.name }}
                    }
                  </dd>
                </div>
              }
              @for (row of rows(m); track row.name) {
                <div>
                  <dt>{{ row.name }}</dt>
                  <dd>{{ row.text }}</dd>
                </div>
              }
              @if (m.visit; as visit) {
                <div>
                  <dt i18n>Visit</dt>
                  <dd><a i18n [routerLink]="['/visits', visit, 'account']">Open its account</a></dd>
                </div>
              }
              @if (m.reverses ?? m.reversedBy; as other) {
                <div>
                  <dt>
                    @if (m.reverses === null) {
                      <ng-container i18n>Reversed by</ng-container>
                    } @else {
                      <ng-container i18n>Reverses</ng-container>
                    }
                  </dt>
                  <dd><a i18n [routerLink]="['/book', other]">Open that entry</a></dd>
                </div>
              }
            </dl>
            @if (transfer(); as followed) {
              <section aria-label="As it was followed" i18n-aria-label>
                <h2 i18n>As it was followed</h2>
                <p class="second">{{ followedLine() }}</p>
                <hy-transfer-trace [transfer]="followed" [height]="80" />
                <p class="files">
                  <button i18n type="button" class="button small" (click)="save(followed, 'csv')">Readings as CSV</button>
                  <button i18n type="button" class="button small" (click)="save(followed, 'senml')">Readings as SenML</button>
                </p>
              </section>
            }
          </div>
        }
      }
    }
  `,
  styles: `
    .body {
      display: grid;
      grid-template-columns: repeat(auto-fit, minmax(min(100%, 380px), 1fr));
      align-items: start;
      gap: 8px 40px;
      max-width: 1040px;
      padding: 8px var(--margin) 32px;
    }

    section {
      margin-top: 20px;
    }

    h2 {
      font-size: 18px;
    }

    .files {
      display: flex;
      flex-wrap: wrap;
      gap: 12px;
      margin-top: 12px;
    }
  `,
  styleUrl: '../ui/figures.css',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class EntryPage {
  protected readonly units = inject(Units);
  private readonly serverData = inject(ServerData);
  private readonly read$ = serverReader();
  private readonly id$ = inject(ActivatedRoute).paramMap.pipe(map((params) => params.get('id') ?? ''));
  protected readonly entry = fromServer(this.id$.pipe(switchMap((id) => this.serverData.movement$(id))));
  protected readonly movement = computed(() => valueOf(this.entry()));

  private readonly visit = toSignal(
    toObservable(computed(() => this.movement()?.visit ?? null)).pipe(
      // until it is read the entry stands as it is
      switchMap((visit) => (visit === null ? of(waiting) : this.read$(this.serverData.visit$(visit)))),
      map(valueOf),
    ),
  );
  protected readonly transfer = computed(() => {
    const [movement, visit] = [this.movement(), this.visit()];
    return movement === undefined || visit === undefined ? undefined : transferOf(movement, visit.transfers);
  });
  protected readonly followedLine = computed(() => {
    const transfer = this.transfer();
    if (transfer?.ended == null) return '';
    const { foretoldGrossKg, endGrossKg, trace } = transfer.ended.finish;
    const lasted = durationText(trace.t.at(-1) ?? 0, this.units);
    const moved = this.units.massText(endGrossKg - transfer.setUp.startGrossKg);
    return foretoldGrossKg === null
      ? $localize`${moved} in ${lasted}.`
      : $localize`${moved} in ${lasted}; ${this.units.massText(foretoldGrossKg - transfer.setUp.startGrossKg)} were foretold.`;
  });

  protected line = (m: Movement): string =>
    [
      m.refrigerant ?? $localize`mixture`,
      m.reversedBy === null ? (m.reverses === null ? m.known : $localize`reversal`) : $localize`reversed`,
    ].join(' · ');

  protected readonly pageOf = accountPage;
  protected readonly save = saveTrace;

  /** What the entry says beside its two accounts, as far as it says it. */
  protected rows(m: Movement): readonly { readonly name: string; readonly text: string }[] {
    const mass = (kg: number | null) => (kg === null ? undefined : this.units.massText(kg));
    const told = m.target?.shown;
    return [
      { name: $localize`Gross before`, text: mass(m.grossBeforeKg) },
      { name: $localize`Gross after`, text: mass(m.grossAfterKg) },
      { name: $localize`Stop as it was told`, text: told === undefined ? undefined : `${told.text} ${told.unit}` },
      { name: $localize`Spoke against it`, text: m.against?.map((objection) => objectionWords[objection]).join(', ') },
      { name: $localize`Happened`, text: momentText(m.happenedAt) },
      { name: $localize`Recorded`, text: `${momentText(m.recordedAt)}, ${m.recordedBy}` },
      { name: $localize`Note`, text: m.note ?? undefined },
    ].flatMap(({ name, text }) => (text === undefined || text === '' ? [] : [{ name, text }]));
  }
}
