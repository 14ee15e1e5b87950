import { Router } from '@angular/router';
import { TestBed } from '@angular/core/testing';
import { fahrenheit } from '@hygromet/core/units/temperature';
import { massFrom, massFromPoundsOunces } from '@hygromet/core/units/mass';
import { BehaviorSubject, of, throwError } from 'rxjs';
import { aCylinder, aSystem, keeping, organisation, painted, render, settled, stage } from '../../test/scene';
import { AddCylinderPage } from './cylinders/add-cylinder.page';
import { ApiError } from './data/api-error';
import { SettingsPage } from './preferences/settings.page';
import { AddSystemPage } from './systems/add-system.page';
import { SystemPage } from './systems/system.page';

const refusing = (apiError: ApiError) => () => throwError(() => apiError);

describe('a cylinder as its collar tells it', () => {
  const typed = async (page: Awaited<ReturnType<typeof render>>) => {
    await page.type('Number', 'C-21');
    await page.type('Water capacity', '26.2');
    await page.type('Tare', '17.2');
    await page.type('Service pressure', '400');
    await page.type('Last requalification', '11-24');
  };

  test('every missing field is named, and nothing is sent', async () => {
    const { sent, call } = keeping(aCylinder());
    stage({ serverData: { addCylinder$: call } });
    const page = await render(AddCylinderPage);
    await page.press('Add the cylinder');
    for (const sentence of ['number is missing', 'water capacity is missing', 'tare is missing', 'service pressure is missing'])
      expect(page.text().toLowerCase()).toContain(sentence);
    expect(sent).toEqual([]);
  });

  test('what is typed is sent in SI, with how it was typed', async () => {
    const { sent, call } = keeping<Record<string, unknown>, object>(aCylinder({ id: 'new' }));
    stage({ serverData: { addCylinder$: call } });
    const page = await render(AddCylinderPage);
    const go = jest.spyOn(TestBed.inject(Router), 'navigate').mockResolvedValue(true);
    await typed(page);
    await page.press('Add the cylinder');
    expect(sent[0]).toMatchObject({ name: 'C-21', tareTyped: { text: '17.2', unit: 'lb' }, requalified: '2024-11', place: 'van' });
    expect(sent[0]!['volumeM3']).toBeCloseTo(0.0119086, 6);
    expect(sent[0]!['tareKg']).toBeCloseTo(massFrom(17.2, 'lb'), 9);
    expect(go).toHaveBeenCalledWith(['/cylinders', 'new']);
  });

  test('the nominal size typed as water capacity is asked about, and sent only once it was read again', async () => {
    const { sent, call } = keeping<{ marks: object }, object>(aCylinder());
    stage({ serverData: { addCylinder$: call } });
    const page = await render(AddCylinderPage);
    jest.spyOn(TestBed.inject(Router), 'navigate').mockResolvedValue(true);
    await typed(page);
    await page.type('Water capacity', '30');
    expect(page.text()).toContain('30 lb is a size cylinders are sold under');
    await page.press('Add the cylinder');
    expect(page.text()).toContain('Read the collar again, and say so here.');
    expect(sent).toEqual([]);
    page.answerKey('Read again, and right', 'yes').click();
    await settled(page.fixture);
    await page.press('Add the cylinder');
    expect(sent[0]!.marks).toMatchObject({ confirmed: true });
  });

  test('a gross below the tare is named before it is sent', async () => {
    stage();
    const page = await render(AddCylinderPage);
    await typed(page);
    await page.type('Gross weight (scale reading)', '15');
    expect(page.text()).toContain('The gross weight is below the tare.');
  });

  test('a name that is taken is said beside the name', async () => {
    stage({ serverData: { addCylinder$: refusing(new ApiError('name-taken', 'This name is taken.')) } });
    const page = await render(AddCylinderPage);
    await typed(page);
    await page.press('Add the cylinder');
    expect(page.text()).toContain('This name is taken.');
    expect(page.control('Number').getAttribute('aria-invalid')).toBe('true');
    expect(page.control('Tare').value).toBe('17.2');
  });

  test('the less common marks go along, and one that cannot be is shown even where they were folded away', async () => {
    const { sent, call } = keeping<{ marks: object }, object>(aCylinder());
    stage({ serverData: { addCylinder$: call } });
    const page = await render(AddCylinderPage);
    jest.spyOn(TestBed.inject(Router), 'navigate').mockResolvedValue(true);
    await typed(page);
    await page.type('Reserved for customer', 'Cheese cave');
    await page.type('Test pressure', '200');
    await page.press('Add the cylinder');
    expect(sent).toHaveLength(0);
    expect(page.root.querySelector('details')?.open).toBe(true);
    expect(page.text()).toContain('The test pressure is above the service pressure on every collar.');
    await page.type('Test pressure', '800');
    await page.press('Add the cylinder');
    expect(sent[0]?.marks).toMatchObject({ owner: 'Cheese cave', testPressurePa: expect.closeTo(5.516e6, -3), validYears: 5 });
  });

  test('a number that is registered, or much like one, leads to the cylinder that has it', async () => {
    stage();
    const page = await render(AddCylinderPage);
    await page.type('Number', 'c 7');
    expect(page.text()).toContain('A number much like it is registered. Open C-07');
    await page.type('Number', 'C-07');
    expect(page.text()).toContain('This number is registered. Open C-07');
    expect(page.root.querySelector('hy-text-field a')?.getAttribute('href')).toBe('/cylinders/c7');
    await page.type('Number', 'C-08');
    expect(page.text()).not.toContain('is registered');
  });

  test('what was typed outlives a reload', async () => {
    const { kept } = stage();
    await typed(await render(AddCylinderPage));
    expect(kept['hygromet.draft.new-cylinder']).toContain('C-21');
  });
});

describe('a system as its plate tells it', () => {
  test('5 lb 5 oz are sent as such, and told from 5.5 lb', async () => {
    const { sent, call } = keeping<{ nameplateKg: number }, object>(aSystem());
    stage({ serverData: { addSystem$: call }, drafts: { 'new-system': { refrigerant: 'R-449A' } } });
    const page = await render(AddSystemPage);
    jest.spyOn(TestBed.inject(Router), 'navigate').mockResolvedValue(true);
    await page.type('Site', 'Net loft');
    await page.type('Name', 'bait freezer');
    await page.type('Unit of Nameplate charge', 'lb-oz');
    await page.type('Nameplate charge', '5');
    await page.type('Nameplate charge, ounces', '5');
    await page.press('Add the system');
    expect(sent[0]!.nameplateKg).toBeCloseTo(massFromPoundsOunces(5, 5), 9);
    expect(sent[0]).toMatchObject({ nameplateTyped: { text: '5 lb 5 oz', unit: 'lb-oz' }, refrigerant: 'R-449A' });
  });

  test('without a refrigerant it is not sent, and the field says so', async () => {
    const { sent, call } = keeping(aSystem());
    stage({ serverData: { addSystem$: call } });
    const page = await render(AddSystemPage);
    await page.press('Add the system');
    expect(page.text()).toMatch(/refrigerant/i);
    expect(sent).toEqual([]);
  });
});

describe('the settings', () => {
  test('are this device’s for units', async () => {
    const { kept } = stage();
    const { type } = await render(SettingsPage);
    await type('Weight unit', 'kg');
    await type('Pressure', 'barg');
    expect(JSON.parse(kept['hygromet.draft.preferences']!)).toMatchObject({ mass: 'kg', pressure: 'barg' });
  });

  test('a rule that is unticked is sent as not required; the last one cannot be', async () => {
    const { sent, call } = keeping<{ version: number; settings: { requiredRules: string[] } }, object>(organisation);
    stage({ serverData: { saveOrganisation$: call } });
    const page = await render(SettingsPage);
    const boxes = () => [...page.root.querySelectorAll<HTMLInputElement>('input[type=checkbox]')];
    boxes()
      .find(({ checked }) => checked)!
      .click();
    await settled(page.fixture);
    await page.press('Save for everybody');
    expect(sent[0]).toMatchObject({ version: 1, recordedBy: 'Ines Marrow' });
    expect(sent[0]!.settings.requiredRules).toHaveLength(3);
    expect(page.text()).toContain('Saved.');
    for (const box of boxes().filter(({ checked }) => checked)) box.click();
    await settled(page.fixture);
    await page.press('Save for everybody');
    expect(sent).toHaveLength(1);
    expect(page.text()).toMatch(/at least one rule/i);
  });

  test('somebody else’s change is said, and what was typed here can still be saved over it', async () => {
    const sent: { version: number; settings: { altitudeM: number; hottestK: number } }[] = [];
    const theirs = { ...organisation, version: 2, changedBy: 'Tobin Wake', hottestK: 338 };
    const stored$ = new BehaviorSubject<typeof organisation>(organisation);
    const overtaken = () => throwError(() => new ApiError('changed-meanwhile', 'Tobin Wake has changed these settings meanwhile.'));
    stage({
      serverData: {
        organisation$: stored$,
        readAgain: () => stored$.next(theirs),
        saveOrganisation$: (body: (typeof sent)[number]) => (sent.push(body), sent.length === 1 ? overtaken() : of(theirs)),
      },
    });
    const page = await render(SettingsPage);
    await page.type('Altitude, m', '300');
    await page.press('Save for everybody');
    expect(page.text()).toContain('Tobin Wake has changed');
    await page.press('Save what I changed over it');
    expect(sent.map(({ version, settings }) => [version, settings.altitudeM])).toEqual([[1, 300], [2, 300]]);
    expect(sent[1]!.settings.hottestK).toBeCloseTo(338, 0);
  }); // prettier-ignore

  test('an altitude that is none is said beside its field', async () => {
    stage();
    const page = await render(SettingsPage);
    await page.type('Altitude, m', 'high');
    expect(page.text()).toContain('The altitude is a number of meters from −450 to 9000.');
    await page.type('Default maximum storage temperature', '150');
    expect(page.control('Default maximum storage temperature').value).toBe('150');
  });
});

describe('one system', () => {
  const system = aSystem({
    kind: 'walk-in',
    refrigerant: 'R-449A',
    facts: { valves: { king: 'leaks' }, written: 'turns hard' },
    version: 3,
    changedBy: 'Jory Quill',
    changedAt: '2026-11-20T09:00:00.000Z',
  });
  const openSystem = (save: unknown) => {
    const history = [
      { version: 3, facts: system.facts, changedAt: '2026-11-20T09:00:00.000Z', changedBy: 'Jory Quill' },
      { version: 2, facts: { written: 'turns hard', ports: 'one' }, changedAt: '2026-11-10T09:00:00.000Z', changedBy: 'Ines Marrow' },
    ];
    stage({ id: 's1', serverData: { system$: () => of(system), systemHistory$: () => of(history), saveSystemFacts$: save } });
    return render(SystemPage);
  };

  test('shows what is known, by whom, and the circuit of its kind', async () => {
    const { control, text, root, choose } = await openSystem(() => of(system));
    expect(control('Notes for the next technician').value).toBe('turns hard');
    await choose('Facts of', 'king');
    expect(control('King valve').value).toBe('leaks');
    expect(text()).toMatch(
      /Who changed what\s?Jory Quill.*King valve: leaks · Ports: removed\s?Ines Marrow.*Ports: one, side not known · Written on it: “turns hard”/,
    );
    expect(root.querySelector('hy-circuit-drawing svg')?.getAttribute('aria-label')).toContain('Receiver: liquid and vapor');
  });

  test('a long line set comes to what the plate says', async () => {
    const long = { ...system, facts: { lineSet: { lengthM: 30, coveredM: 7.5, liquid: '3/8', suction: '7/8' } } };
    stage({ id: 's1', serverData: { system$: () => of(long) } });
    // 22.5 m of 3/8 in hold 1.1 L of liquid, about 2.5 lb, beside the 19.8 lb of the plate
    expect((await render(SystemPage)).text()).toMatch(/With its line set, computed22\.\d lb/);
  });

  test('a part that is touched in the drawing shows its facts and no others; one that is wrong elsewhere is brought up when it is saved', async () => {
    const { root, text, type, press, fixture } = await openSystem(() => of(system));
    const touch = async (name: string) => {
      root.querySelector<SVGElement>(`[role=button][aria-label="${name}"]`)!.dispatchEvent(new MouseEvent('click', { bubbles: true }));
      await painted(fixture);
    };
    await touch('Condenser');
    expect(text()).toContain('Condenser volume');
    expect(text()).not.toContain('Receiver volume');
    await type('Condenser volume', 'much');
    await touch('King valve');
    expect(text()).not.toContain('Condenser volume');
    await press('Save');
    await painted(fixture);
    expect(text()).toContain('All facts');
    expect(text()).toContain('Condenser volume');
  });

  test('facts are saved with the version that was seen', async () => {
    const { sent, call } = keeping<object, object>(system);
    const { choose, type, press, text } = await openSystem(call);
    await choose('Facts of', 'receiver');
    await type('Receiver volume', '10.5');
    await type('Unit of Receiver volume', 'L');
    await press('Save');
    expect(sent[0]).toMatchObject({
      version: 3,
      recordedBy: 'Ines Marrow',
      facts: { volumes: { receiver: { m3: expect.closeTo(0.0105, 6) } } },
    });
    expect(text()).toContain('Saved.');
  });

  describe('while somebody else saves', () => {
    const open = async () => {
      const stored$ = new BehaviorSubject(system);
      const sent: { version: number; facts: object }[] = [];
      const save = (_: string, body: (typeof sent)[number]) => {
        sent.push(body);
        if (body.version < stored$.value.version)
          return throwError(() => new ApiError('changed-meanwhile', 'Jory Quill has changed these facts.'));
        stored$.next({ ...system, version: 5, facts: body.facts });
        return of(system);
      };
      const readAgain = () => stored$.next({ ...system, version: 4, facts: { written: 'theirs' } });
      stage({ id: 's1', serverData: { system$: () => stored$, saveSystemFacts$: save, readAgain } });
      const page = await render(SystemPage);
      await page.type('Notes for the next technician', 'mine');
      readAgain();
      await page.press('Save');
      return { ...page, sent };
    };

    test('what is typed stays, is not saved over theirs unknowingly, and can be', async () => {
      const { control, press, text, sent } = await open();
      expect(text()).toContain('Jory Quill has changed these facts.');
      expect(control('Notes for the next technician').value).toBe('mine');
      await press('Overwrite');
      expect(sent.map(({ version }) => version)).toEqual([3, 4]);
      expect(text()).toContain('Saved.');
      expect(control('Notes for the next technician').value).toBe('mine');
    });

    test('what somebody else has changed meanwhile, and nobody here, stays as they have it', async () => {
      const { press, sent, type } = await open();
      await type('Compressor', 'scroll');
      await type('How you know what you changed', 'seen');
      await press('Overwrite');
      expect(sent[1]?.facts).toMatchObject({ written: 'mine', compressor: 'scroll' });
      expect(sent[1]?.facts).not.toHaveProperty('valves');
    });

    test('a valve that nobody touched here stays as they have it, and is not said to be seen by him', async () => {
      const theirs = { ...system, version: 4, facts: { valves: { king: 'holds' } } };
      const stored$ = new BehaviorSubject(system);
      const sent: { version: number; facts: { valves: object; known: object } }[] = [];
      const save = (_: string, body: (typeof sent)[number]) => (sent.push(body), of(system));
      stage({ id: 's1', serverData: { system$: () => stored$, saveSystemFacts$: save } });
      const { choose, type, press, fixture } = await render(SystemPage);
      await choose('Facts of', 'all');
      await type('Suction service valve', 'leaks');
      await type('How you know what you changed', 'seen');
      stored$.next(theirs as unknown as typeof system);
      await fixture.whenStable();
      await press('Save');
      expect(sent[0]?.facts.valves).toEqual({ king: 'holds', 'suction-service': 'leaks' });
      expect(Object.keys(sent[0]?.facts.known ?? {})).toEqual(['suction-service']);
    });

    test('or theirs is taken', async () => {
      const { control, press, answer, text } = await open();
      await press('Discard my changes');
      await answer('Discard my changes');
      expect(control('Notes for the next technician').value).toBe('theirs');
      expect(text()).not.toContain('Jory Quill has changed');
    });
  });

  test('what was typed and not saved is there when the page is opened again, over the version that was seen', async () => {
    const sent: { version: number }[] = [];
    const save = (_: string, body: (typeof sent)[number]) => (sent.push(body), of(system));
    stage({
      id: 's1',
      serverData: { system$: () => of({ ...system, version: 4 }), saveSystemFacts$: save },
      drafts: { 'facts.s1': { version: 3, typed: { written: 'mine' } } },
    });
    const { control, press } = await render(SystemPage);
    expect(control('Notes for the next technician').value).toBe('mine');
    await press('Save');
    expect(sent.map(({ version }) => version)).toEqual([3]);
  });

  test('an error is told, and nothing typed is lost', async () => {
    const { type, press, text, control } = await openSystem(refusing(new ApiError('offline', 'The server did not answer.')));
    await type('Notes for the next technician', 'mine');
    await press('Save');
    expect(text()).toContain('The server did not answer.');
    expect(control('Notes for the next technician').value).toBe('mine');
  });

  test('a component and what it bears are added, and its missing figure is asked for', async () => {
    const { sent, call } = keeping<object, object>(system);
    const { choose, type, press, text } = await openSystem(call);
    await choose('Facts of', 'evaporator');
    await press('Add a component');
    await type('Component', 'suction sensor');
    await press('Save');
    expect(text()).toContain('Enter the pressure rating');
    expect(sent).toEqual([]);
    await type('Bears', '150');
    await press('Save');
    expect(sent[0]).toMatchObject({
      facts: { limits: [{ what: 'suction sensor', gaugePa: expect.closeTo(1034214, -1), typed: { text: '150', unit: 'psig' } }] },
    });
  });

  test('a length that cannot be is named, and not sent', async () => {
    const { sent, call } = keeping(system);
    const { choose, type, press, text } = await openSystem(call);
    await choose('Facts of', 'suction-line');
    await type('Length', '-3');
    await press('Save');
    expect(text()).toContain('Enter a length of 0 or more.');
    expect(sent).toEqual([]);
  });
});

test('a temperature typed in Fahrenheit is one in kelvin', () => {
  expect(fahrenheit(140)).toBeCloseTo(333.15, 9);
});
