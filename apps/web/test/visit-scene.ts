import { TestBed } from '@angular/core/testing';
import { Router } from '@angular/router';
import type { Look } from '@hygromet/contract/look';
import type { Visit, VisitWithEvents } from '@hygromet/contract/visit';
import type { NewVisitEvent, VisitEvent } from '@hygromet/contract/visit-event';
import { withEvent } from '@hygromet/contract/visit-state';
import { BehaviorSubject, of } from 'rxjs';
import { Api } from '../src/app/data/api';
import { VisitPage } from '../src/app/visit/visit.page';
import { aVisit, render, stage } from './scene';

export const SEEN: Look = { ambient: { text: '84', unit: 'F' }, standing: { text: '128', unit: 'psig' }, failed: 'condenser' };
export const plan = {
  method: 'recover',
  proposed: 'recover',
  why: '',
  failed: 'condenser',
  ambientK: 302,
  standingPa: 983_000,
  factsVersion: 1,
} as const satisfies Visit['plan'];

/** A server with one visit, which keeps what is added as the real one does. */
export function theVisit(first: Partial<Visit> = {}) {
  const visit$ = new BehaviorSubject<VisitWithEvents>({ ...aVisit(first), events: [] });
  const sent: NewVisitEvent[] = [];
  const addVisitEvent$ = (_: string, event: NewVisitEvent) => {
    sent.push(event);
    const kept = { ...event, recordedAt: event.happenedAt, sequence: 2 } as unknown as VisitEvent; // as the server keeps it
    const { id, system, recovered, events } = visit$.value;
    visit$.next({ ...withEvent(visit$.value, kept), id, system, recovered, events });
    return of(visit$.value);
  };
  return { visit$, sent, serverData: { visit$: () => visit$, readVisit$: () => of(visit$.value), addVisitEvent$ } };
}

/** One stage of a visit, opened in the workspace. */
export async function open(
  at: string,
  first: Partial<Visit> = {},
  more: Record<string, unknown> = {},
  query: Record<string, string> = {},
  api: object = { call$: () => of({}) },
  /** What the device had kept. */
  drafts: Readonly<Record<string, object>> = {},
) {
  const server = theVisit(first);
  const { kept } = stage({
    id: 'v1',
    more: { stage: at },
    query,
    drafts,
    serverData: { ...server.serverData, ...more },
    providers: [{ provide: Api, useValue: api }],
  });
  const go = jest.spyOn(TestBed.inject(Router), 'navigate').mockResolvedValue(true);
  return { ...(await render(VisitPage)), ...server, kept, go };
}
