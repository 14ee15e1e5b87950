import fc from 'fast-check';
import { evacuationLevel } from '../compliance/evacuation-level';
import { situationOf, type JobConditions } from '../planning/job-conditions';
import { opened, opensUnderCharge } from '../planning/what-is-opened';
import { reasonsAgainst } from '../planning/reasons';
import { refrigerant } from '../fluids/refrigerant';
import { STANDARD_ATMOSPHERE } from '../units/pressure';
import { cubicMetre, kilogram } from '../units/quantity';
import { celsius } from '../units/temperature';
import type { Barrier, Circuit, ComponentId, Link, ValveId } from './circuit';
import { circuitOf } from './circuit-of';
import { purposes, thingsOf } from './opened';
import { fittedStates, optionalParts, parts, valves, valveStates, type Valve } from './part';
import { knownVolume } from './part-volume';
import { mayReach, surelyEmptiedFrom, type Positions } from './passage';
import { FIRST_SHUT } from './sections';
import { condenserCoolings, portChoices, systemKinds, valveStateOf, type CircuitRecord } from './system-kind';

/** What really is: whether each barrier lets something pass along its flow, and against it. Not what anybody knows of it. */
type Truth = readonly { readonly along: boolean; readonly against: boolean }[];

/**
 * Where refrigerant really gets to, found another way than the product does: a table of everything that is joined to everything, filled by
 * stepping through each in turn (Warshall).
 */
function spread(circuit: Circuit, from: readonly ComponentId[], truth: Truth): ReadonlySet<ComponentId> {
  const ids = circuit.components.map(({ id }) => id);
  const place = new Map(ids.map((id, k) => [id, k]));
  const joined = ids.map((_, k) => ids.map((__, l) => k === l));
  for (const [k, { from: above, to: below }] of circuit.links.entries()) {
    const [i, j] = [place.get(above)!, place.get(below)!];
    if (truth[k]!.along) joined[i]![j] = true;
    if (truth[k]!.against) joined[j]![i] = true;
  }
  for (let via = 0; via < ids.length; via++)
    for (let i = 0; i < ids.length; i++) for (let j = 0; j < ids.length; j++) joined[i]![j] ||= joined[i]![via]! && joined[via]![j]!;
  return new Set(ids.filter((_, j) => from.some((id) => joined[place.get(id)!]![j]!)));
}

const coin = fc.boolean();

/** Any graph at all, whether anybody would build it or not. */
const anyCircuit: fc.Arbitrary<Circuit> = fc.integer({ min: 2, max: 9 }).chain((count) => {
  const ids = Array.from({ length: count }, (_, k): ComponentId => `${parts[k % parts.length]!}-${k}`);
  const barrier = fc.oneof(
    fc.constant(undefined),
    fc.constantFrom<Barrier['kind']>('solenoid', 'metering', 'check', 'compressor').map((kind) => ({ kind }) as Barrier),
    fc.constantFrom(...valves).chain((valve) => fc.nat(3).map((n): Barrier => ({ kind: 'hand-valve', valve, id: `${valve}-${n}` }))),
  );
  const link = fc
    .tuple(fc.constantFrom(...ids), fc.constantFrom(...ids), barrier)
    .map(([from, to, own]): Link => ({ from, to, ...(own === undefined ? {} : { barrier: own }) }));
  return fc.array(link, { minLength: 1, maxLength: 14 }).map((links) => ({
    components: ids.map((id) => ({ id, part: parts[0] })),
    links,
    ports: [],
    portSideUnknown: false,
    water: [],
  }));
});

/** Positions as they are known, and a truth that they do not contradict. */
const positionsOf = (circuit: Circuit) => {
  const ids = [...new Set(circuit.links.flatMap(({ barrier }) => (barrier?.kind === 'hand-valve' ? [barrier.id] : [])))];
  return fc.record({
    shut: fc.subarray(ids).map((some): ReadonlySet<ValveId> => new Set(some)),
    holds: fc.subarray(ids).map((some): ReadonlySet<ValveId> => new Set(some)),
    solenoidHeld: coin,
    meteringStuckShut: coin,
    compressorKeepsBack: coin,
  });
};

const truthOf = (circuit: Circuit, positions: Positions, passes: readonly (readonly [boolean, boolean])[]): Truth =>
  circuit.links.map(({ barrier }, k) => {
    const [one, other] = passes[k]!;
    switch (barrier?.kind) {
      case undefined:
        return { along: true, against: true };
      case 'hand-valve':
        if (!positions.shut.has(barrier.id)) return { along: true, against: true };
        return positions.holds.has(barrier.id) ? { along: false, against: false } : { along: one, against: other };
      case 'compressor':
        return { along: one, against: !positions.compressorKeepsBack && other };
      case 'solenoid':
        return positions.solenoidHeld ? { along: true, against: true } : { along: one, against: other };
      case 'metering':
        return positions.meteringStuckShut ? { along: one, against: other } : { along: true, against: true };
      default:
        return { along: true, against: other };
    }
  });

const case_ = anyCircuit.chain((circuit) =>
  fc.record({
    circuit: fc.constant(circuit),
    positions: positionsOf(circuit),
    passes: fc.array(fc.tuple(coin, coin), { minLength: circuit.links.length, maxLength: circuit.links.length }),
    from: fc.subarray(
      circuit.components.map(({ id }) => id),
      { minLength: 1 },
    ),
  }),
);

test('over 10 000 random graphs and valve positions, refrigerant never gets where it is said that it cannot', () => {
  fc.assert(
    fc.property(case_, ({ circuit, positions, passes, from }) => {
      const told = mayReach(circuit, from, positions);
      const beyond = [...spread(circuit, from, truthOf(circuit, positions, passes))].filter((id) => !told.has(id));
      expect(beyond).toEqual([]);
    }),
    { numRuns: 10_000 },
  );
});

test('over 10 000 random graphs and valve positions, what is said to be emptied really has a way to the port', () => {
  fc.assert(
    fc.property(case_, ({ circuit, positions, passes, from }) => {
      // a hand valve that is open is open; what is doubtful may not pass
      const truth = truthOf(circuit, { ...positions, holds: positions.shut }, passes);
      const cutOff = [...surelyEmptiedFrom(circuit, from, positions)].filter((id) => {
        const reached = spread(circuit, [id], truth);
        return !from.some((port) => reached.has(port));
      });
      expect(cutOff).toEqual([]);
    }),
    { numRuns: 10_000 },
  );
});

const record: fc.Arbitrary<CircuitRecord> = fc.record({
  kind: fc.constantFrom(...systemKinds),
  fitted: fc.dictionary(fc.constantFrom(...optionalParts), fc.constantFrom(...fittedStates)),
  valves: fc.dictionary(fc.constantFrom(...valves), fc.constantFrom('holds' as const, 'holds' as const, ...valveStates)),
  ports: fc.constantFrom(...portChoices),
  indoorUnits: fc.integer({ min: 1, max: 4 }),
  condenserCooling: fc.constantFrom(...condenserCoolings),
});

const job = record.chain((of) => {
  const circuit = circuitOf(of);
  return fc.record({
    of: fc.constant(of),
    purpose: fc.constantFrom(...purposes),
    failed: fc.constantFrom(...thingsOf(circuit), 'unknown' as const),
    into: fc.constantFrom('condenser' as const, 'receiver' as const),
    passes: fc.array(fc.tuple(coin, coin), { minLength: circuit.links.length, maxLength: circuit.links.length }),
  });
});

type Job = typeof job extends fc.Arbitrary<infer T> ? T : never;

const composition = refrigerant('R-410A').composition;
const given = {
  composition,
  T: celsius(25),
  atmosphere: STANDARD_ATMOSPHERE,
  volume: knownVolume(cubicMetre(0.01), 'measured'),
  content: { low: 3, likely: 3, high: 3 },
  level: evacuationLevel({
    composition,
    fullCharge: kilogram(3),
    machineBuilt: 'after-1993',
    sealed: false,
    compressorRuns: true,
    majorRepair: true,
    leaks: false,
    atmosphere: STANDARD_ATMOSPHERE,
  }),
};

const conditionsOf = ({ of, purpose, failed }: Pick<Job, 'of' | 'purpose' | 'failed'>): JobConditions => ({
  ...situationOf({ ...given, kind: of.kind, circuit: circuitOf(of), purpose, failed }),
  valves: Object.fromEntries(valves.map((valve) => [valve, valveStateOf(valve, of)])) as JobConditions['valves'],
  ports: of.ports ?? 'both',
});

test('of any circuit on record, nothing that really stays under the charge is opened after a pump-down that no reason forbids', () => {
  fc.assert(
    fc.property(job, ({ of, purpose, failed, into, passes }) => {
      const conditions = conditionsOf({ of, purpose, failed });
      const method = into === 'condenser' ? ('pump-down-condenser' as const) : ('pump-down-receiver' as const);
      const forbidden = reasonsAgainst(method, conditions).some(({ effect }) => effect === 'impossible');
      expect(opensUnderCharge(conditions, into) && !forbidden).toBe(false);
      const open = opened(conditions, into);
      if (forbidden || typeof open === 'string') return;
      // what the permission rests on is true: what had to be seen was seen to hold, and the compressor keeps back what it pumped
      const { circuit } = conditions;
      const shut = new Set(
        circuit.links.flatMap(({ barrier }) =>
          barrier?.kind === 'hand-valve' && (barrier.valve === FIRST_SHUT[into] || barrier.valve === 'suction-service') ? [barrier.id] : [],
        ),
      );
      const seen = (id: ValveId) =>
        id === FIRST_SHUT[into] ||
        conditions.valves[id as Valve] === 'holds' ||
        (into === 'condenser' && conditions.valves[id as Valve] === 'unproved');
      const holds = new Set([...shut].filter(seen));
      const truth = truthOf(circuit, { shut, holds, solenoidHeld: true, meteringStuckShut: false, compressorKeepsBack: true }, passes);
      const outlets = circuit.links.flatMap(({ barrier, to }) => (barrier?.kind === 'compressor' ? [to] : []));
      const charged = spread(circuit, outlets, truth);
      expect(open.filter((id) => charged.has(id) || id === 'compressor')).toEqual([]);
    }),
    { numRuns: 3000 },
  );
});

test('what nobody has found is never emptied more surely than what was found', () => {
  fc.assert(
    fc.property(job, coin, ({ of, purpose, failed }, stuck) => {
      const metering = stuck ? ('stuck-closed' as const) : ('works' as const);
      const speaks = (thing: typeof failed) =>
        reasonsAgainst('recover', { ...conditionsOf({ of, purpose, failed: thing }), metering }).some(
          ({ code }) => code === 'not-emptied-through-ports',
        );
      expect(speaks(failed) && !speaks('unknown')).toBe(false);
    }),
    { numRuns: 1000 },
  );
});
