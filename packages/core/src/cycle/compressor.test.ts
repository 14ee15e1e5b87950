import { refrigerant } from '../fluids/refrigerant';
import { compressed, efficiency, filling } from './compressor';
import { cycleTable } from './cycle-table';
import data from './cycle-parameters.json';

const table = cycleTable(refrigerant('R-410A').composition);
const P = 9.9e5;
const port = (superheat: number) => ({ p: P, superheat, h: table.vapour(P, superheat).h });

describe.each(['scroll', 'reciprocating'] as const)('a %s compressor', (kind) => {
  test('is filled less and works worse, the higher its ratio', () => {
    for (const ratio of [2, 3, 4, 6, 8]) {
      expect(filling(kind, ratio + 1)).toBeLessThan(filling(kind, ratio));
      expect(filling(kind, ratio)).toBeLessThanOrEqual(1);
      expect(filling(kind, ratio)).toBeGreaterThan(0);
    }
    const best = data.compressors[kind].ratio;
    expect(efficiency(kind, best)).toBeCloseTo(data.compressors[kind].eta, 12);
    for (const off of [0.5, 2, 4]) expect(efficiency(kind, best * off)).toBeLessThan(efficiency(kind, best));
    expect(efficiency(kind, best * 100)).toBeCloseTo(data.compressors.least * data.compressors[kind].eta, 12);
  });

  test('work and discharge temperature rise with the head', () => {
    const [low, high] = [2.2e6, 2.9e6].map((head) => compressed(table, kind, port(8), head, 0));
    expect(high!.work).toBeGreaterThan(low!.work);
    expect(high!.dischargeK).toBeGreaterThan(low!.dischargeK);
  });

  test('warm suction comes out hotter, degree for degree and a little more', () => {
    const [cool, warm] = [5, 15].map((superheat) => compressed(table, kind, port(superheat), 2.6e6, 0));
    const more = warm!.dischargeK - cool!.dischargeK;
    expect(more).toBeGreaterThan(7);
    expect(more).toBeLessThan(15);
  });

  test('valves that leak cost work, and the heat of it comes out', () => {
    const [tight, leaking] = [0, 0.3].map((leak) => compressed(table, kind, port(8), 2.6e6, leak));
    expect(leaking!.work / tight!.work).toBeCloseTo(1 / (1 - 0.85 * 0.3), 9);
    expect(leaking!.dischargeK).toBeGreaterThan(tight!.dischargeK);
  });
});

// The first law: what goes in with the suction and the work comes out, less what the shell loses.
test('the heat of the work is in what it discharges', () => {
  const { work, dischargeH } = compressed(table, 'scroll', port(8), 2.6e6, 0);
  expect(dischargeH - port(8).h).toBeCloseTo(work * (1 - data.compressors.lost), 6);
});

// Isentropic work by the property core's own entropy: no compressor needs less.
test('it never needs less than the isentropic work', () => {
  const from = table.vapour(P, 8);
  const ideal = table.vapour(2.6e6, table.superheatOfEntropy(2.6e6, from.s)).h - from.h;
  for (const kind of ['scroll', 'reciprocating'] as const) expect(compressed(table, kind, port(8), 2.6e6, 0).work).toBeGreaterThan(ideal);
});

test('liquid in the suction takes the superheat out of the discharge, down to saturation', () => {
  const at = table.saturation(P);
  const wet = { p: P, superheat: 0, h: at.hv - 0.4 * (at.hv - at.hl) };
  const { dischargeK } = compressed(table, 'scroll', wet, 2.6e6, 0);
  expect(dischargeK).toBe(table.saturation(2.6e6).Td);
});
