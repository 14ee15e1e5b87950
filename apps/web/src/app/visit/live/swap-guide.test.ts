import { signal } from '@angular/core';
import { TestBed } from '@angular/core/testing';
import type { TransferNote } from '@hygromet/contract/visit-transfer';
import type { MachineState } from '@hygromet/core/twin/machine-state';
import type { EndReason } from '@hygromet/core/twin/transfer-run';
import { aTransfer } from '../../../../test/live-scene';
import { aCylinder, render, stage } from '../../../../test/scene';
import { FillSession } from '../../transfer/fill.session';
import { LiveTransfer } from './live-transfer';
import { SwapGuide } from './swap-guide';

const around = (likely: number) => ({ likely, low: 0.9 * likely, high: 1.1 * likely });
const outlook = (reason: EndReason, leftKg: number) => ({ end: { reason, t: around(600), grossKg: around(16.8), leftKg: around(leftKg) } });

/** A transfer after a minute, as the twin foretells it. */
async function follow(first: ReturnType<typeof outlook>, stands = false) {
  const [foretold, machineOff, valveShut] = [signal(first), signal(stands), signal(stands)];
  const notes: TransferNote[] = [];
  const note = (kept: TransferNote) => {
    notes.push(kept);
    valveShut.set(notes.some(({ what }) => what === 'valve'));
    // with the machine off nothing flows any more
    foretold.set(outlook('stalled', 3.4));
  };
  const [machineState, purgedKg] = [signal<MachineState | undefined>(undefined), signal<number | undefined>(undefined)];
  const setMachine = (state: MachineState) => {
    machineState.set(state);
    machineOff.set(state === 'off');
    if (state === 'purge') purgedKg.set(0.4);
    note({ what: 'machine', state, grossKg: 20 });
  };
  const live = {
    setMachine,
    machineState,
    purgedKg,
    outlook: foretold,
    machineOff,
    valveShut,
    elapsed: signal(60),
    gross: signal({ kg: 15.8, by: 'scale' }),
    transfer: signal(aTransfer()),
    note,
  };
  const fill = { cylinder: signal({ state: 'ready', value: aCylinder({ name: 'C-07' }) }), scaleUnit: () => 'lb' };
  stage({ providers: [{ provide: LiveTransfer, useValue: live }, { provide: FillSession, useValue: fill }] }); // prettier-ignore
  return { ...(await render(SwapGuide)), notes };
}

test('a cylinder that will be full first is told in time, and each step of the swap is kept until it is done', async () => {
  const { text, press, notes } = await follow(outlook('stop-weight', 3.4));
  expect(text()).toContain('Another cylinder is needed: about 7.5 lb will be left when C-07 is at its stop, in about');
  expect(text()).toContain('let it purge itself: about 0.88 lb stand in it');
  await press('It purges');
  await press('It is off');
  expect(text()).toContain('Another cylinder is needed: about 7.5 lb');
  await press('It is shut');
  expect(text()).not.toContain('in about');
  expect(notes).toEqual([
    { what: 'machine', state: 'purge', grossKg: 20 },
    { what: 'machine', state: 'off', grossKg: 20 },
    { what: 'valve', state: 'shut' },
  ]);
});

test.each([
  ['all of it finds room', outlook('reached', 0.1)],
  ['it stalls first', outlook('stalled', 3.4)],
])('where %s nothing is said of another one', async (_, foretold) => {
  const { text } = await follow(foretold);
  expect(text()).not.toContain('Another cylinder');
});

test('a page that is opened while the valve is shut tells what of the rest finds no room, and nothing where it does', async () => {
  // 1 kg up to the stop at 16.8
  const opened = await follow(outlook('time', 3.4), true);
  expect(opened.text()).toContain('Another cylinder is needed: about 5.3 lb will be left when C-07 is at its stop.');
  TestBed.resetTestingModule();
  expect((await follow(outlook('time', 0.9), true)).text()).not.toContain('Another cylinder');
});
