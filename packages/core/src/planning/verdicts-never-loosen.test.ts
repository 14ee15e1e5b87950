import fc from 'fast-check';
import { makeUpFacts } from '../circuit/evidence';
import { parts, valves, valveStates, type Valve } from '../circuit/part';
import { knownVolume, type KnownVolumes } from '../circuit/part-volume';
import { kindOf, systemKinds } from '../circuit/system-kind';
import { refrigerant } from '../fluids/refrigerant';
import { STANDARD_ATMOSPHERE } from '../units/pressure';
import { cubicMetre, pascal } from '../units/quantity';
import { celsius } from '../units/temperature';
import { permits, type Verdict } from './decide';
import { coolings, machineClasses } from './equipment';
import { pumpDowns } from './method';
import { planFor, type Look, type RecordedSystem } from './plan';
import { USUAL_PRACTICE } from './company-practice';
import { compressorStates, coolingStates, meteringStates, waterStates } from './job-conditions';

const ids = ['R-410A', 'R-22', 'R-134a', 'R-407C', 'R-32', 'R-290', 'R-404A'] as const;
const litres = fc.double({ min: 0.5, max: 60, noNaN: true });
const volume = fc.option(fc.tuple(litres, fc.constantFrom('measured' as const, 'plate' as const)), { nil: undefined });
const valve = fc.option(fc.constantFrom(...valveStates), { nil: undefined });

/** kg of the plate within what such circuits hold. */
const system: fc.Arbitrary<RecordedSystem> = fc
  .record({
    kind: fc.constantFrom(...systemKinds),
    id: fc.constantFrom(...ids),
    plate: fc.double({ min: 0.1, max: 60, noNaN: true }),
    left: fc.double({ min: 0, max: 1.4, noNaN: true }),
    receiver: volume,
    valves: fc.record({ 'liquid-service': valve, 'suction-service': valve, king: valve }),
    ports: fc.option(fc.constantFrom('both' as const, 'one' as const, 'none' as const), { nil: undefined }),
    unseen: fc.subarray([...makeUpFacts]),
  })
  .map(({ kind, id, plate, left, receiver, valves: recorded, ports, unseen }) => ({
    kind,
    composition: refrigerant(id).composition,
    flammable: false,
    nameplateKg: plate,
    contentKg: plate * left,
    volumes: volumesOf(receiver),
    valves: withoutUnsaid(recorded),
    ports,
    unseen,
    compressor: 'scroll' as const,
    switches: { low: 'fitted' as const },
    limits: [],
  }));

const volumesOf = (receiver: readonly [number, 'measured' | 'plate'] | undefined): KnownVolumes =>
  receiver === undefined ? {} : { receiver: knownVolume(cubicMetre(receiver[0] / 1000), receiver[1]) };
const withoutUnsaid = (states: Partial<Record<Valve, RecordedSystem['valves'][Valve]>>): RecordedSystem['valves'] =>
  Object.fromEntries(Object.entries(states).filter(([, state]) => state !== undefined));

const look: fc.Arbitrary<Look> = fc.record({
  T: fc.double({ min: -15, max: 45, noNaN: true }).map(celsius),
  standingPressure: fc.option(fc.double({ min: 3e4, max: 3.5e6, noNaN: true }).map(pascal), { nil: undefined }),
  failed: fc.constantFrom('unknown' as const, 'none' as const, ...parts),
  compressor: fc.constantFrom(...compressorStates),
  metering: fc.constantFrom(...meteringStates),
  cooling: fc.constantFrom(...coolingStates),
  water: fc.constantFrom(...waterStates),
  majorRepair: fc.boolean(),
  leaks: fc.boolean(),
  shaded: fc.boolean(),
  atmosphere: fc.constant(STANDARD_ATMOSPHERE),
  equipment: fc.record({
    machine: fc.constantFrom(...machineClasses),
    cores: fc.constantFrom('in' as const, 'out' as const),
    hoses: fc.constantFrom('quarter-inch' as const, 'three-eighths' as const),
    cooling: fc.constantFrom(...coolings),
  }),
});

/** One fact that was seen, and nobody has seen any more. */
const forgotten: Readonly<Record<string, (system: RecordedSystem, look: Look) => readonly [RecordedSystem, Look]>> = {
  compressor: (recordedSystem, seen) => [recordedSystem, { ...seen, compressor: 'unknown' }],
  metering: (recordedSystem, seen) => [recordedSystem, { ...seen, metering: 'unknown' }],
  cooling: (recordedSystem, seen) => [recordedSystem, { ...seen, cooling: 'unknown' }],
  water: (recordedSystem, seen) => [recordedSystem, { ...seen, water: 'unknown' }],
  failed: (recordedSystem, seen) => [recordedSystem, { ...seen, failed: 'unknown' }],
  standingPressure: (recordedSystem, seen) => [recordedSystem, { ...seen, standingPressure: undefined }],
  valves: (recordedSystem, seen) => [
    { ...recordedSystem, valves: unseen(recordedSystem) },
    { ...seen, valves: {} },
  ],
  'make-up': (recordedSystem, seen) => [{ ...recordedSystem, unseen: makeUpFacts }, seen],
  shade: (recordedSystem, seen) => [recordedSystem, { ...seen, shaded: false }],
};
/** That there is no such valve stays known. */
const unseen = ({ valves: recorded }: RecordedSystem): RecordedSystem['valves'] =>
  Object.fromEntries(
    valves.flatMap((name) => {
      const state = recorded[name];
      return state === undefined ? [] : [[name, state === 'none' ? ('none' as const) : ('unproved' as const)]];
    }),
  );

/** Of two verdicts that both permit, one that is advised against is the stricter. */
const looser = (before: Verdict, after: Verdict) =>
  permits(after) && (!permits(before) || (after.feasibility === 'possible' && before.feasibility === 'not-advised'));

test('no pump-down is more permissive when a fact that was seen is not known any more', () => {
  fc.assert(
    fc.property(system, look, fc.constantFrom(...Object.keys(forgotten)), (recordedSystem, seen, fact) => {
      const [lessSystem, lessLook] = forgotten[fact]!(recordedSystem, seen);
      const before = planFor(recordedSystem, seen, USUAL_PRACTICE).decision.verdicts;
      const after = planFor(lessSystem, lessLook, USUAL_PRACTICE).decision.verdicts;
      for (const method of pumpDowns) {
        const [one, other] = [before, after].map((all) => all.find((verdict) => verdict.method === method)!);
        // without the reading of the pressure nothing speaks of air or of vapour: it is the first thing that is looked at then
        if (fact === 'standingPressure' && one!.feasibility !== 'impossible') continue;
        expect([fact, method, looser(one!, other!)]).toEqual([fact, method, false]);
      }
    }),
    { numRuns: 400 },
  );
});

test('without a standing pressure it is read before anything is decided, and nothing counts as flat', () => {
  fc.assert(
    fc.property(system, look, (recordedSystem, seen) => {
      const { verdicts, next, chosen } = planFor(recordedSystem, { ...seen, standingPressure: undefined }, USUAL_PRACTICE).decision;
      expect(next?.see).toBe('standing-pressure');
      expect(chosen).not.toBe('nothing');
      expect(permits(verdicts.find(({ method }) => method === 'nothing')!)).toBe(false);
    }),
    { numRuns: 150 },
  );
});

test('nothing is taken for flat that was not read on both sides', () => {
  fc.assert(
    fc.property(system, look, fc.constantFrom('unknown' as const, 'one' as const), (recordedSystem, seen, sides) => {
      const { verdicts, chosen } = planFor(recordedSystem, { ...seen, sides }, USUAL_PRACTICE).decision;
      expect(chosen).not.toBe('nothing');
      expect(permits(verdicts.find(({ method }) => method === 'nothing')!)).toBe(false);
    }),
    { numRuns: 150 },
  );
});

test('no machine draws a barrel down of whose water nobody knows', () => {
  fc.assert(
    fc.property(
      system,
      look,
      fc.constantFrom('unknown' as const, 'stands' as const, 'leaks-in' as const),
      (recordedSystem, seen, water) => {
        fc.pre(kindOf(recordedSystem.kind).water.length > 0);
        for (const verdict of planFor(recordedSystem, { ...seen, water }, USUAL_PRACTICE).decision.verdicts)
          if (verdict.method !== 'nothing' && verdict.method !== 'pierce')
            expect([verdict.method, permits(verdict)]).toEqual([verdict.method, false]);
      },
    ),
    { numRuns: 150 },
  );
});

test('only what was seen forbids a pump-down for its compressor, its valves and its metering device', () => {
  fc.assert(
    fc.property(system, look, (recordedSystem, seen) => {
      const [lessSystem, lessLook] = forgotten['valves']!(recordedSystem, {
        ...seen,
        compressor: 'unknown',
        metering: 'unknown',
        cooling: 'unknown',
      });
      for (const { reasons } of planFor(lessSystem, lessLook, USUAL_PRACTICE).decision.verdicts)
        expect(
          reasons.filter(
            ({ code, effect }) =>
              effect === 'impossible' && /^(compressor|liquid-valve|suction-valve|king-valve|metering|not-held)/.test(code),
          ),
        ).toEqual([]);
    }),
    { numRuns: 150 },
  );
});

/** Codes that forbid by the make-up of the circuit alone. */
const BY_MAKE_UP = ['no-service-valves', 'no-liquid-service-valve', 'no-receiver', 'no-ports', 'one-port'];

test('a make-up that nobody has compared with the unit forbids nothing and allows nothing', () => {
  fc.assert(
    fc.property(system, look, (recordedSystem, seen) => {
      const of = { ...recordedSystem, unseen: makeUpFacts };
      const before = planFor({ ...of, unseen: [] }, { ...seen, valves: {} }, USUAL_PRACTICE).decision.verdicts;
      const after = planFor(of, { ...seen, valves: {} }, USUAL_PRACTICE).decision.verdicts;
      for (const [k, { method, reasons, feasibility }] of after.entries()) {
        expect(reasons.filter(({ code, effect }) => effect === 'impossible' && BY_MAKE_UP.includes(code))).toEqual([]);
        expect([method, permits(before[k]!) || !permits({ feasibility })]).toEqual([method, true]);
      }
    }),
    { numRuns: 200 },
  );
});

test('no machine is put to a condenser of which nobody has seen whether water cools it', () => {
  fc.assert(
    fc.property(system, look, (recordedSystem, seen) => {
      fc.pre(kindOf(recordedSystem.kind).condenserMayBeWater);
      const of = { ...recordedSystem, unseen: ['condenser-cooling' as const] };
      for (const verdict of planFor(of, seen, USUAL_PRACTICE).decision.verdicts)
        if (verdict.method !== 'nothing' && verdict.method !== 'pierce')
          expect([verdict.method, permits(verdict)]).toEqual([verdict.method, false]);
    }),
    { numRuns: 150 },
  );
});
