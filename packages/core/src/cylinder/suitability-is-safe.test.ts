import fc from 'fast-check';
import { bubblePoint } from '../thermo/saturation';
import { cubicMetre, kilogram } from '../units/quantity';
import { celsius, fahrenheit } from '../units/temperature';
import { refrigerant } from '../fluids/refrigerant';
import { cylinderKinds } from './cylinder-kind';
import { fillLimits } from './fill-limit';
import { defaultFillPolicy } from './fill-rule';
import { levelAt } from './level';
import { pressureRating } from './pressure-rating';
import { NOTHING_KG, suitability, type Candidate, type Incoming } from './suitability';

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
  airy: fc.boolean(),
});
const incoming: fc.Arbitrary<Incoming> = fc.record({
  composition,
  flammable: fc.boolean(),
  quality: fc.constantFrom('usual', 'burnt'),
  owner: fc.constantFrom(undefined, 'Cheese cave', 'Seed bank'),
});

/** As they mostly come: for this refrigerant, in order but for one or two things. */
const likely = incoming.chain((own) =>
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
        composition: same > 0 ? own.composition : cylinder.composition,
        evacuated: true,
        servicePressurePa: 4.14e6,
        overdue: fault === 1,
        retired: fault === 2,
        flammableRated: fault !== 3,
        owner: own.owner,
        airy: fault === 4,
      };
      return { cylinder: order, own };
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
      expect(pressureRating(own.composition, cylinder.servicePressurePa).suits).toBe(true);
      expect([cylinder.retired, cylinder.overdue, cylinder.airy]).toEqual([false, false, false]);
      expect(cylinder.kind === 'nitrogen' || cylinder.kind === 'virgin').toBe(false);
    }),
    { numRuns: 800 },
  );
  expect(allowed).toBeGreaterThan(50); // about a fifth of them: the claim is about something
});

test('more in it never leaves more room, and no room is ever negative', () => {
  fc.assert(
    fc.property(candidate, incoming, fc.double({ min: 0.1, max: 5, noNaN: true }), (cylinder, own, more) => {
      const before = suitability(cylinder, own, defaultFillPolicy);
      const after = suitability({ ...cylinder, contentKg: cylinder.contentKg + more }, own, defaultFillPolicy);
      expect(before.roomKg).toBeGreaterThanOrEqual(0);
      expect(after.roomKg).toBeLessThanOrEqual(before.roomKg + 1e-9);
    }),
    { numRuns: 300 },
  );
});

test('a hotter place never leaves more room where the organisation requires it', () => {
  const policy = { ...defaultFillPolicy, required: [...defaultFillPolicy.required, 'hottest-place' as const] };
  const clean = { kind: 'recovery', evacuated: true, overdue: false, retired: false, flammableRated: true, airy: false } as const;
  fc.assert(
    fc.property(composition, fc.integer({ min: 20, max: 60 }), fc.integer({ min: 1, max: 10 }), (own, warm, step) => {
      const cylinder: Candidate = { ...clean, volumeM3: 0.0216, tareKg: 12.6, contentKg: 0, servicePressurePa: 4.14e6 };
      const what: Incoming = { composition: own, flammable: false, quality: 'usual' };
      const at = (degrees: number) => suitability(cylinder, what, policy, celsius(degrees)).roomKg;
      expect(at(warm + step)).toBeLessThanOrEqual(at(warm) + 1e-9);
    }),
    { numRuns: 120 },
  );
});

test('what a cylinder already holds decides: the label of what comes in changes neither its limit nor its room', () => {
  for (const inside of compositions) {
    const cylinder: Candidate = {
      kind: 'recovery',
      volumeM3: 0.0216,
      tareKg: 12.6,
      contentKg: 4,
      composition: inside,
      evacuated: false,
      servicePressurePa: 4.14e6,
      overdue: false,
      retired: false,
      flammableRated: true,
      airy: false,
    };
    const rooms = compositions.map(
      (own) => suitability(cylinder, { composition: own, flammable: false, quality: 'usual' }, defaultFillPolicy).roomKg,
    );
    for (const room of rooms) expect(room).toBeCloseTo(rooms[0]!, 12);
    // and it is the room for what is in it, by 80 % at 77 °F at the most
    expect(rooms[0]! + 4).toBeLessThanOrEqual(0.8 * cylinder.volumeM3 * bubblePoint(inside, fahrenheit(77)).rhoLiquid + NOTHING_KG);
  }
});
