import { ReadState } from '../shell/read-state';
import { fromServer } from '../data/from-server';
import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';

import { ActivatedRoute, RouterLink } from '@angular/router';
import type { System } from '@hygromet/contract/system';
import { ServerData } from '../data/server-data.service';
import { Units } from '../preferences/units.service';
import { dayWords } from '../ui/day';
import { valueOf } from '../ui/loadable';
import { PageHead } from '../ui/page-head';
import { CircuitSide } from './circuit-side';
import { LookFields } from './look-fields';
import { LookOnDevice, LookSource, SYSTEM_ID } from './look-source';
import { MethodDecision } from './method-decision';
import { MethodSession } from './method.session';
import { StepList } from './step-list';
import { Computing } from '../ui/computing';

/** What might be done at a system before anybody goes there: look, methods and steps; nothing of it is saved. */
@Component({
  selector: 'hy-method-page',
  imports: [Computing, ReadState, CircuitSide, LookFields, MethodDecision, PageHead, RouterLink, StepList],
  providers: [
    MethodSession,
    { provide: SYSTEM_ID, useFactory: () => inject(ActivatedRoute).snapshot.paramMap.get('id') ?? '' },
    { provide: LookSource, useClass: LookOnDevice },
  ],
  templateUrl: './method.page.html',
  styleUrls: ['../ui/columns.css', '../ui/state-page.css', './method.page.css'],
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class MethodPage {
  protected readonly session = inject(MethodSession);
  private readonly units = inject(Units);
  private readonly visits = fromServer(inject(ServerData).visits$);
  protected readonly visit = computed(() =>
    valueOf(this.visits())?.find(({ state, system }) => state === 'open' && system.id === this.session.systemId),
  );
  protected readonly plan = computed(() => valueOf(this.session.plan()));
  protected readonly said = (day: string): string => dayWords(day);
  protected line = ({ refrigerant, nameplateKg }: System): string =>
    $localize`${refrigerant}, ${this.units.massText(nameplateKg)} on the plate`;
  protected print = (): void => window.print();

  protected note({ code, text }: { code: string; text: string }): void {
    this.session.change({ readings: { ...this.session.draft().readings, [code]: text } });
  }
}
