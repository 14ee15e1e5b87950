import fc from 'fast-check';
import { bubblePoint } from '../thermo/saturation';
import { cubicMetre, kilogram } from '../units/quantity';
import { celsius, fahrenheit } from '../units/temperature';
import { refrigerant } from '../fluids/refrigerant';
import { cylinderKinds } from './cylinder-kind';
import { fillLimits } from './fill-limit';
import { defaultFillPolicy } from './fill-rule';
import { UNKNOWN } from './unknown-content';
import { levelAt } from './level';
import { pressureRating } from './pressure-rating';
import { suitability, type Candidate, type Incoming } from './suitability';

const ids = ['R-410A', 'R-22', 'R-134a', 'R-407C', 'R-404A', 'R-448A', 'R-32', 'R-290', 'R-454B'] as const;
const compositions = ids.map((id) => refrigerant(id).composition);
const composition = fc.constantFrom(...compositions);
const candidate: fc.Arbitrary<Candidate> = fc.record({
  kind: fc.constantFrom(...cylinderKinds),
  volumeM3: fc.double({ min: 0.005, max: 0.12, noNaN: true }),
  tareKg: fc.double({ min: 4, max: 40, noNaN: true }),
  contentKg: fc.oneof(fc.constant(0), fc.double({ min: -1, max: 60, noNaN: true })),
  composition: fc.option(composition, { nil: undefined }),
  evacuated: fc.boolean(),
  servicePressurePa: fc.constantFrom(1.79e6, 2.41e6, 2.76e6, 4.14e6),
  overdue: fc.boolean(),
  retired: fc.boolean(),
  flammableRated: fc.boolean(),
  owner: fc.constantFrom(undefined, 'Cheese cave', 'Seed bank'),
  nonCondensables: fc.boolean(),
});
const incoming: fc.Arbitrary<Incoming> = fc.record({
  composition,
  flammable: fc.boolean(),
  quality: fc.constantFrom('usual', 'burnt'),
  owner: fc.constantFrom(undefined, 'Cheese cave', 'Seed bank'),
});

/** As they mostly come: for this refrigerant, in order but for one or two things. */
const likely = incoming.chain((entry) =>
  fc
    .record({
      cylinder: candidate,
      kind: fc.constantFrom(...cylinderKinds, 'recovery' as const, 'recovery' as const, 'recovery' as const),
      content: fc.double({ min: 0, max: 1.1, noNaN: true }),
      same: fc.integer({ min: 0, max: 9 }),
      fault: fc.integer({ min: 0, max: 11 }),
    })
    .map(({ cylinder, kind, content, same, fault }) => {
      const order: Candidate = {
        ...cylinder,
        kind,
        contentKg: content * 700 * cylinder.volumeM3,
        composition: same > 0 ? entry.composition : cylinder.composition,
        evacuated: true,
        servicePressurePa: 4.14e6,
        overdue: fault === 1,
        retired: fault === 2,
        flammableRated: fault !== 3,
        owner: entry.owner,
        nonCondensables: fault === 4,
      };
      return { cylinder: order, own: entry };
    }),
);

test('whatever is allowed keeps every required limit, is never full of liquid at 131 °F, and stays below the class of the cylinder', () => {
  let allowed = 0;
  fc.assert(
    fc.property(likely, ({ cylinder, own }) => {
      const { objections, roomKg } = suitability(cylinder, own, defaultFillPolicy);
      if (objections.length > 0) return;
      allowed++;
      const volume = cubicMetre(cylinder.volumeM3);
      const content = kilogram(Math.max(0, cylinder.contentKg) + roomKg);
      const { limits } = fillLimits({ composition: own.composition, volume, tare: kilogram(cylinder.tareKg), content }, defaultFillPolicy);
      for (const { required, mayAdd } of limits) if (required) expect(mayAdd).toBeGreaterThan(-1e-9);
      expect(levelAt(own.composition, volume, content, fahrenheit(131)).state).toBe('two-phase');
      expect(pressureRating([own.composition], { stamp: 'us', servicePressure: cylinder.servicePressurePa }).suits).toBe(true);
      expect([cylinder.retired, cylinder.overdue, cylinder.nonCondensables]).toEqual([false, false, false]);
      expect(cylinder.kind === 'nitrogen' || cylinder.kind === 'virgin').toBe(false);
    }),
    { numRuns: 800 },
  );
  expect(allowed).toBeGreaterThan(50); // about a fifth of them: the claim is about something
});

test('more in it never leaves more room, and no room is ever negative', () => {
  fc.assert(
    fc.property(candidate, incoming, fc.double({ min: 0.1, max: 5, noNaN: true }), (cylinder, entry, more) => {
      const before = suitability(cylinder, entry, defaultFillPolicy);
      const after = suitability({ ...cylinder, contentKg: cylinder.contentKg + more }, entry, defaultFillPolicy);
      expect(before.roomKg).toBeGreaterThanOrEqual(0);
      expect(after.roomKg).toBeLessThanOrEqual(before.roomKg + 1e-9);
    }),
    { numRuns: 300 },
  );
});

test('a hotter place never leaves more room', () => {
  const clean = {
    kind: 'recovery',
    evacuated: true,
    overdue: false,
    retired: false,
    flammableRated: true,
    nonCondensables: false,
  } as const;
  fc.assert(
    fc.property(composition, fc.integer({ min: 20, max: 75 }), fc.integer({ min: 1, max: 10 }), (entry, warm, step) => {
      const cylinder: Candidate = { ...clean, volumeM3: 0.0216, tareKg: 12.6, contentKg: 0, servicePressurePa: 4.14e6 };
      const what: Incoming = { composition: entry, flammable: false, quality: 'usual' };
      const at = (degrees: number) => suitability(cylinder, what, defaultFillPolicy, celsius(degrees)).roomKg;
      expect(at(warm + step)).toBeLessThanOrEqual(at(warm) + 1e-9);
    }),
    { numRuns: 120 },
  );
});

test('the lighter of two decides: what comes in never finds more room than either would alone', () => {
  for (const inside of compositions) {
    const cylinder: Candidate = { ...inOrder, contentKg: 0.1, composition: inside };
    for (const current of compositions) {
      const room = (composition: Candidate['composition'], into: Candidate) =>
        suitability(into, { composition: composition!, flammable: false, quality: 'usual' }, defaultFillPolicy).roomKg;
      const alone = room(current, { ...cylinder, composition: current });
      expect(room(current, cylinder)).toBeLessThanOrEqual(Math.min(alone, room(inside, cylinder)) + 1e-9);
    }
  }
});

const inOrder: Candidate = {
  kind: 'recovery',
  volumeM3: 0.0119,
  tareKg: 7.8,
  contentKg: 0,
  evacuated: true,
  servicePressurePa: 2.76e6,
  stamp: 'us',
  overdue: false,
  retired: false,
  flammableRated: true,
  nonCondensables: false,
};
const coming = (id: string, more: Partial<Incoming> = {}): Incoming => ({
  composition: refrigerant(id).composition,
  flammable: false,
  quality: 'usual',
  ...more,
});
const judged = (cylinder: Partial<Candidate>, what: Incoming, hottest?: number) =>
  suitability({ ...inOrder, ...cylinder }, what, defaultFillPolicy, hottest === undefined ? undefined : celsius(hottest));

test('0.1 kg of R-22 does not hide that R-290 is light: by the rule for mixtures, 60 % of the volume at 131 °F', () => {
  const { roomKg } = judged({ composition: refrigerant('R-22').composition, contentKg: 0.1 }, coming('R-290'));
  expect(roomKg).toBeLessThan(0.6 * 0.0119 * bubblePoint(refrigerant('R-290').composition, fahrenheit(131)).rhoLiquid);
  expect(roomKg).toBeGreaterThan(2.5);
});

test('less known is never more allowed: an unknown content, an unknown port, air that was found', () => {
  for (const id of ['R-410A', 'R-407C', 'R-448A', 'R-22', 'R-454B', 'R-455A', 'R-290'] as const) {
    const known = judged({}, coming(id, { port: 'liquid' }), 60);
    const anyPort = judged({}, coming(id), 60);
    const unknown = judged({}, coming(id, { composition: UNKNOWN }), 60);
    expect(anyPort.roomKg).toBeLessThanOrEqual(known.roomKg);
    expect(unknown.roomKg).toBeLessThan(anyPort.roomKg);
    for (const objection of known.objections) {
      expect(anyPort.objections).toContain(objection);
      expect(unknown.objections).toContain(objection);
    }
    expect(judged({ airShare: 0.05 }, coming(id), 60).roomKg).toBeLessThanOrEqual(anyPort.roomKg);
  }
});

// first vapour of R-455A at 77 °F stands at 531 psig in the heat, the blend at 377 (CoolProp 8.0.0 with the same pairs)
test('a class is judged by the port: the vapour of R-455A is too much for 400 psi, its liquid is not', () => {
  const by = (port: Incoming['port']) => judged({ servicePressurePa: 400 * 6894.757 }, coming('R-455A', { port })).objections;
  expect(by('liquid')).not.toContain('class-too-low');
  expect(by('vapour')).toContain('class-too-low');
  expect(by(undefined)).toContain('class-too-low');
});

test('a cylinder lighter than its collar is filled by its weight; in a heavier one the room of what is in it is gone', () => {
  const stop = (tareWeighedKg?: number) => judged({ tareWeighedKg }, coming('R-410A')).stopGrossKg!;
  expect(stop(7.3)).toBeCloseTo(stop() - 0.5, 6);
  expect(stop(8.3)).toBeLessThan(stop() - 0.3); // half a litre of water is 4 % of the volume
  expect(judged({ tareWeighedKg: 8.3 }, coming('R-410A')).objections).toContain('tare-heavier');
  expect(judged({ tareWeighedKg: 7.85 }, coming('R-410A')).objections).toEqual([]);
});

test('carbon dioxide fits a cylinder of its test pressure, and none whose collar does not say it', () => {
  const co2 = coming('R-744', { port: 'liquid' });
  expect(judged({ servicePressurePa: 1800 * 6894.757, testPressurePa: 3000 * 6894.757 }, co2).objections).toEqual([]);
  expect(judged({ servicePressurePa: 1800 * 6894.757 }, co2).objections).toContain('no-limit');
});

test('a blend whose first vapour has no liquid in the heat is refused without a stamp, and limited by its pressure with one', () => {
  const clean = {
    kind: 'recovery',
    evacuated: true,
    overdue: false,
    retired: false,
    flammableRated: true,
    nonCondensables: false,
  } as const;
  const current = { 'R-32': 0.26, 'R-125': 0.26, 'R-1234yf': 0.2, 'R-134a': 0.21, 'R-1234ze(E)': 0.07 };
  const what: Incoming = { composition: current, flammable: false, quality: 'usual' };
  const room = (degrees: number, stamp?: 'us') => {
    const cylinder: Candidate = { ...clean, volumeM3: 0.0216, tareKg: 12.6, contentKg: 0, servicePressurePa: 4.14e6, stamp };
    return suitability(cylinder, what, defaultFillPolicy, celsius(degrees));
  };
  expect(room(78).roomKg).toBeGreaterThan(10);
  expect([room(79).roomKg, room(79).objections]).toEqual([0, ['no-limit']]);
  expect(room(79, 'us').roomKg).toBeGreaterThan(0);
  expect(room(79, 'us').roomKg).toBeLessThan(room(78, 'us').roomKg);
});
