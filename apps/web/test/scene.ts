import type { EnvironmentProviders, Provider, Type } from '@angular/core';
import { TestBed, type ComponentFixture } from '@angular/core/testing';
import { ActivatedRoute, convertToParamMap, provideRouter } from '@angular/router';
import type { Account } from '@hygromet/contract/account';
import type { Cylinder } from '@hygromet/contract/cylinder';
import type { Movement } from '@hygromet/contract/movement';
import { asDrawn } from '@hygromet/contract/known-facts';
import type { CurrentOrganisation } from '@hygromet/contract/organisation';
import type { RefrigerantSummary } from '@hygromet/contract/refrigerant';
import type { System } from '@hygromet/contract/system';
import type { Visit } from '@hygromet/contract/visit';
import { allRefrigerants } from '@hygromet/core/fluids/refrigerant';
import { classificationOf, isFlammable } from '@hygromet/core/fluids/classification';
import { firstValueFrom, of } from 'rxjs';
import { DRAFT_STORAGE } from '../src/app/data/draft-store';
import { ServerData } from '../src/app/data/server-data.service';
import { defaultPreferences } from '../src/app/preferences/preferences';
import { afterPaint$ } from '../src/app/ui/after-paint';

export const organisation: CurrentOrganisation = {
  version: 1,
  changedAt: null,
  changedBy: null,
  name: 'Tidewrack Cold Works',
  altitudeM: 0,
  requiredRules: ['eighty-percent-77F', 'not-liquid-full-131F', 'not-liquid-full-hottest', 'filling-density'],
  liquidShareAt131F: 0.95,
  hottestK: 318.15,
  partShare: 0.8,
  endOfPumpDown: 'slightly-positive',
  readingsKeptDays: 30,
  people: ['Ines Marrow', 'Tobin Wake'],
  demo: true,
};

/** 26.2 lb of water capacity, tare 17.2 lb, 7.4 lb of R-410A in it. */
export const aCylinder = (more: Partial<Cylinder> = {}): Cylinder => ({
  id: 'c7',
  name: 'C-07',
  volumeM3: 0.01190863,
  volumeTyped: { text: '26.2', unit: 'lb-water' },
  tareKg: 7.801789,
  tareTyped: { text: '17.2', unit: 'lb' },
  servicePressurePa: 2.76e6,
  serviceTyped: { text: '400', unit: 'psig' },
  requalified: '2024-11',
  validThrough: '2029-11',
  place: 'van',
  refrigerant: 'R-410A',
  composition: { 'R-32': 0.5, 'R-125': 0.5 },
  contentKg: 3.3566,
  evacuatedAt: null,
  vacuum: null,
  marks: { kind: 'recovery', flammableRated: false, ports: 'liquid-and-vapour', validYears: 5 },
  tareWeighedKg: null,
  airShare: null,
  retiredAt: null,
  weighedInAt: null,
  lastMovedAt: null,
  fillStatus: {
    state: 'limited',
    ruling: 'not-liquid-full-131F',
    limitGrossKg: 17.59,
    stopGrossKg: 17.36,
    mayAddKg: 6.43,
    liquidShare77F: 0.22,
    stopShare77F: 0.76,
  },
  flags: [],
  ...more,
});

const SEEN_BY_TOBIN = { how: 'seen', by: 'Tobin Wake', at: '2026-05-12T09:00:00Z' } as const;

/** A system that somebody has compared with its drawing, unless its facts are told. */
export const aSystem = (more: Partial<System> = {}): System => ({
  id: 's1',
  site: 'Planetarium',
  name: 'rooftop unit',
  kind: 'packaged',
  refrigerant: 'R-410A',
  nameplateKg: 8.98,
  nameplateTyped: { text: '19.8', unit: 'lb' },
  contentKg: 8.98,
  overdrawnByKg: null,
  facts: asDrawn({ kind: more.kind ?? 'packaged', facts: {} }, SEEN_BY_TOBIN),
  version: 1,
  changedAt: null,
  changedBy: null,
  ...more,
});

export const aVisit = (more: Partial<Visit> = {}): Visit => ({
  id: 'v1',
  system: { id: 's1', site: 'Planetarium', name: 'rooftop unit', kind: 'packaged', refrigerant: 'R-410A', factsVersion: 1 },
  day: '2026-11-26',
  time: null,
  person: null,
  reason: 'no cooling',
  plan: null,
  readings: [],
  tests: [],
  transfers: [],
  joints: [],
  photographs: [],
  chargeNotes: [],
  refrigerantTests: [],
  cleaning: [],
  runs: [],
  look: {},
  marked: [],
  recovered: { bookings: 0, massKg: 0 },
  state: 'open',
  openedBy: 'Ines Marrow',
  changedAt: '2026-11-26T08:00:00.000Z',
  version: 1,
  ...more,
});

export const anAccount = (more: Partial<Account> = {}): Account => ({
  id: 's1',
  kind: 'system',
  name: 'Planetarium, rooftop unit',
  massKg: 8.98,
  composition: { 'R-32': 0.5, 'R-125': 0.5 },
  movements: 1,
  ...more,
});

export const aMovement = (more: Partial<Movement> = {}): Movement => ({
  id: 'm1',
  from: { id: 's1', kind: 'system', name: 'Planetarium, rooftop unit' },
  to: { id: 'c7', kind: 'cylinder', name: 'C-07' },
  massKg: 2,
  refrigerant: 'R-410A',
  composition: { 'R-32': 0.5, 'R-125': 0.5 },
  known: 'weighed',
  grossBeforeKg: 9,
  grossAfterKg: 11,
  typed: { before: { text: '9', unit: 'kg' } },
  note: null,
  target: null,
  against: null,
  visit: null,
  happenedAt: '2026-11-20T09:00:00.000Z',
  recordedAt: '2026-11-20T09:01:00.000Z',
  recordedBy: 'Ines Marrow',
  reverses: null,
  reversedBy: null,
  ...more,
});

export const refrigerants: RefrigerantSummary[] = allRefrigerants.map(({ id, kind, composition, modelQuality }) => {
  const classification = classificationOf(id);
  return {
    id,
    kind,
    composition: { ...composition },
    safetyGroup: classification.safetyGroup,
    flammable: isFlammable(classification),
    gwpAr4: classification.gwp.AR4,
    modelQuality,
  };
});

export interface Scene {
  /** Streams and calls of the server's data that differ from the usual ones. */
  readonly serverData?: Partial<Record<keyof ServerData, unknown>>;
  /** What the device has kept, by key without prefix. */
  readonly drafts?: Readonly<Record<string, object>>;
  readonly id?: string;
  /** Further parts of the address. */
  readonly more?: Readonly<Record<string, string>>;
  readonly data?: Readonly<Record<string, unknown>>;
  readonly query?: Readonly<Record<string, string>>;
  readonly providers?: readonly (Provider | EnvironmentProviders)[];
}

/** An application without server, worker and browser storage: everything that a page asks for is answered from here. */
export function stage({ serverData = {}, drafts = {}, id = 'c7', more = {}, query = {}, data = {}, providers = [] }: Scene = {}): {
  readonly kept: Record<string, string>;
} {
  const kept: Record<string, string> = Object.fromEntries(
    Object.entries({ preferences: { ...defaultPreferences, person: 'Ines Marrow' }, ...drafts }).map(([name, value]) => [
      `hygromet.draft.${name}`,
      JSON.stringify(value),
    ]),
  );
  const usual = {
    organisation$: of(organisation),
    organisationHistory$: of([]),
    readAgain: () => undefined,
    refrigerants$: of(refrigerants),
    cylinders$: of([aCylinder()]),
    systems$: of([aSystem()]),
    system$: () => of(aSystem()),
    systemHistory$: () => of([]),
    visits$: of([]),
    accounts$: of([anAccount(), anAccount({ id: 'c7', kind: 'cylinder', name: 'C-07', massKg: 3.3566 })]),
    movements$: () => of([aMovement()]),
    cylinder$: () => of(aCylinder()),
    cylinderEvents$: () => of([]),
    shipments$: of([]),
    prices$: of([]),
    instruments$: of([]),
    gateways$: of([]),
  };
  TestBed.configureTestingModule({
    providers: [
      provideRouter([]),
      { provide: ServerData, useValue: { ...usual, ...serverData } },
      {
        provide: ActivatedRoute,
        useValue: {
          snapshot: { paramMap: convertToParamMap({ id, ...more }), queryParamMap: convertToParamMap(query), data },
          paramMap: of(convertToParamMap({ id, ...more })),
          queryParamMap: of(convertToParamMap(query)),
        },
      },
      {
        provide: DRAFT_STORAGE,
        useValue: {
          getItem: (key: string) => kept[key] ?? null,
          setItem: (key: string, value: string) => void (kept[key] = value),
          removeItem: (key: string) => void delete kept[key],
        },
      },
      ...providers,
    ],
  });
  return { kept };
}

export interface Rendered<C> {
  readonly fixture: ComponentFixture<C>;
  readonly root: HTMLElement;
  /** All words on it, blanks joined. */
  readonly text: () => string;
  /** The control that carries this label. */
  readonly control: (label: string) => HTMLInputElement & HTMLSelectElement;
  /** One of the keys of a question with few answers. */
  readonly answerKey: (question: string, name: string) => HTMLInputElement;
  readonly button: (name: string | RegExp) => HTMLButtonElement;
  readonly type: (label: string, value: string) => Promise<void>;
  /** Chooses what something large is drawn for, one paint later. */
  readonly choose: (label: string, value: string) => Promise<void>;
  readonly press: (name: string | RegExp) => Promise<void>;
  /** Presses the key of a question that is asked over the page. */
  readonly answer: (name: string) => Promise<void>;
}

export async function render<C>(component: Type<C>, inputs: Readonly<Record<string, unknown>> = {}): Promise<Rendered<C>> {
  const fixture = TestBed.createComponent(component);
  for (const [name, value] of Object.entries(inputs)) fixture.componentRef.setInput(name, value);
  await settled(fixture);
  const root = fixture.nativeElement as HTMLElement;
  const control = (label: string) => {
    const byLabel = [...root.querySelectorAll('label')].find((candidate) => words(candidate) === label)?.htmlFor;
    const found = byLabel === undefined ? root.querySelector(`[aria-label="${label}"]`) : root.querySelector(`#${byLabel}`);
    if (found === null) throw new Error(`nothing is labelled "${label}"`);
    return found as HTMLInputElement & HTMLSelectElement;
  };
  const answerKey = (question: string, name: string) => {
    const group = [...root.querySelectorAll('[role="radiogroup"]')].find(
      (candidate) => words(root.querySelector(`#${candidate.getAttribute('aria-labelledby')}`) ?? candidate) === question,
    );
    const key = [...(group?.querySelectorAll('label') ?? [])].find((candidate) => words(candidate) === name)?.querySelector('input');
    if (key == null) throw new Error(`"${name}" is no answer to "${question}"`);
    return key;
  };
  const button = (name: string | RegExp) => {
    const matches = (text: string) => (typeof name === 'string' ? text === name : name.test(text));
    const found = [...root.querySelectorAll('button')].find((candidate) =>
      matches(candidate.getAttribute('aria-label') ?? words(candidate)),
    );
    if (found === undefined) throw new Error(`no button is called ${String(name)}`);
    return found;
  };
  const type = async (label: string, value: string) => {
    const field = control(label);
    field.value = value;
    field.dispatchEvent(new Event(field.tagName === 'SELECT' ? 'change' : 'input', { bubbles: true }));
    field.dispatchEvent(new Event('blur'));
    await settled(fixture);
  };
  return {
    fixture,
    root,
    text: () => words(root),
    control,
    answerKey,
    button,
    type,
    choose: async (label, value) => {
      await type(label, value);
      await painted(fixture);
    },
    press: async (name) => {
      button(name).click();
      await settled(fixture);
    },
    answer: async (name) => {
      const asked = [...document.querySelectorAll<HTMLButtonElement>('.ant-popover button')].find((key) => words(key) === name);
      if (asked === undefined) throw new Error(`nothing is asked that "${name}" answers`);
      asked.click();
      await settled(fixture);
    },
  };
}

/** After every answer of the core, which come one microtask later each. */
export async function settled(fixture: ComponentFixture<unknown>): Promise<void> {
  for (let k = 0; k < 4; k++) {
    await fixture.whenStable();
    await new Promise((resolve) => setTimeout(resolve));
  }
}

/** And after what comes with the next frame. */
export async function painted(fixture: ComponentFixture<unknown>): Promise<void> {
  await firstValueFrom(afterPaint$);
  await settled(fixture);
}

const words = (element: Element) => (element.textContent ?? '').replace(/\s+/g, ' ').trim();

/** Keeps what is sent, and answers. */
export function keeping<B, A>(answer: A) {
  const sent: B[] = [];
  return { sent, call: (...args: unknown[]) => (sent.push(args.at(-1) as B), of(answer)) };
}
