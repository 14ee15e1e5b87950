import { noFaults, type Conditions, type Faults } from '../src/cycle/conditions';
import { designOf, ratingOf } from '../src/cycle/cycle-design';
import type { ReadingName } from '../src/cycle/cycle-readings';
import type { CycleTable } from '../src/cycle/cycle-table';
import { airEnthalpy, humidityOf, saturatedEnthalpy, saturatedTemperature } from '../src/cycle/moist-air';
import { guessNames, sigmaOf, usualGuesses, type Guesses, type Unit, type UnitPlate } from '../src/cycle/unit';
import { normalOf, randomOf } from './simulated-hold';

/*
 * Hidden truths for the running check, of another structure than the model that judges them: coils of unequal circuits marched piece by piece,
 * each piece with its own surface and air; void fraction summed along the way with another slip; a compressor of another form; exponents and
 * ratios of its own. Shared with the model are the properties of the refrigerant and of air, and the hardware it starts from.
 */

const SEGMENTS = 20;

/** What is drawn for each truth beside the guesses that the model knows of. */
interface Structure {
  readonly slip: number;
  readonly voidFactor: number;
  readonly insideRatio: readonly [number, number, number];
  readonly boilingRatio: number;
  readonly airExponent: number;
  readonly flowExponent: number;
  /** Share of the refrigerant, and of the air, in the first of two circuits. */
  readonly refrigerantShare: number;
  readonly airShare: number;
  readonly fillingSlope: number;
  readonly isentropic: number;
  readonly choke: number;
}

interface Hardware {
  readonly unit: Unit;
  readonly own: Structure;
  readonly area: number;
  readonly volumes: readonly [number, number];
  readonly chargeKg: number;
}

interface Marched {
  readonly h: number;
  readonly kg: number;
  readonly heat: number;
  readonly sensible: number;
}

const rest = (table: CycleTable, p: number, h: number) => {
  const at = table.saturation(p);
  if (h > at.hv) {
    const superheat = table.superheatOfEnthalpy(p, h);
    return { T: at.Td + superheat, rho: table.vapour(p, superheat).rho, zone: 0 as const, x: 1 };
  }
  if (h >= at.hl) {
    const x = (h - at.hl) / (at.hv - at.hl);
    return { T: at.Tb + x * (at.Td - at.Tb), rho: 0, zone: 1 as const, x };
  }
  const T = at.Tb - (at.hl - h) / at.cpl;
  return { T, rho: table.liquid(T).rho, zone: 2 as const, x: 0 };
};

/** What a piece takes by its zone; between two zones it goes over, so that a piece on the edge does not jump. */
const byZone = (table: CycleTable, p: number, h: number, [vapour, boiling, liquid]: readonly [number, number, number]): number => {
  const { hl, hv } = table.saturation(p);
  const width = 0.04 * (hv - hl);
  const [toVapour, toLiquid] = [1 / (1 + Math.exp(-(h - hv) / width)), 1 / (1 + Math.exp((h - hl) / width))];
  return toVapour * vapour + toLiquid * liquid + Math.max(0, 1 - toVapour - toLiquid) * boiling;
};

const twoPhaseRho = (table: CycleTable, p: number, x: number, { slip, voidFactor }: Structure) => {
  const { rl, rv } = table.saturation(p);
  const S = voidFactor * (rl / rv) ** slip;
  const alpha = x <= 0 ? 0 : 1 / (1 + ((1 - x) / x) * (rv / rl) * S);
  return alpha * rv + (1 - alpha) * rl;
};

function condenser(hw: Hardware, pc: number, flow: number, h0: number, airK: number, air: number, worse: number): Marched {
  const { unit, own, volumes } = hw;
  const { table, outdoor } = unit;
  let [heat, kg, out] = [0, 0, 0];
  for (const [share, areaShare] of [
    [own.refrigerantShare, 0.5],
    [1 - own.refrigerantShare, 0.5],
  ] as const) {
    const m = flow * share;
    const C = (outdoor.flow * air * areaShare) / SEGMENTS;
    const outside = (outdoor.UA * worse * air ** own.airExponent * areaShare) / SEGMENTS;
    let h = h0;
    for (let k = 0; k < SEGMENTS; k++) {
      const at = rest(table, pc, h);
      const pace = (exponent: number) => ((2 * m) / unit.ratedFlow) ** exponent;
      const [gas, boiling, wet] = own.insideRatio;
      const ratio = byZone(table, pc, h, [gas * pace(0.8), boiling * pace(own.flowExponent), wet * pace(0.8)]);
      const inside = (ratio * outdoor.UA * areaShare) / SEGMENTS;
      const q = C * -Math.expm1(-1 / (1 / outside + 1 / inside) / C) * (at.T - airK);
      heat += q;
      const next = h - q / m;
      const x = Math.min(1, Math.max(0, (at.x + rest(table, pc, next).x) / 2));
      kg += ((volumes[0] * areaShare) / SEGMENTS) * (at.zone === 1 ? twoPhaseRho(table, pc, x, own) : at.rho);
      h = next;
    }
    out += share * h;
  }
  return { h: out, kg, heat, sensible: heat };
}

function evaporator(hw: Hardware, pe: number, flow: number, h0: number, conditions: Conditions, air: number): Marched {
  const { unit, own, volumes } = hw;
  const { table, indoor } = unit;
  const p = conditions.atmospherePa ?? 101_325;
  const w = conditions.indoorWetBulbK === undefined ? 0 : humidityOf(conditions.indoorK, conditions.indoorWetBulbK, p);
  const cp = 1006 + 1860 * w;
  const hAir = airEnthalpy(conditions.indoorK, w);
  let [heat, kg, out, sensible] = [0, 0, 0, 0];
  for (const [share, airShare] of [
    [own.refrigerantShare, own.airShare],
    [1 - own.refrigerantShare, 1 - own.airShare],
  ] as const) {
    const m = flow * share;
    const C = (indoor.flow * air * airShare) / SEGMENTS;
    const outside = (indoor.UA * air ** own.airExponent * 0.5) / SEGMENTS;
    const reach = -Math.expm1(-outside / C);
    let h = h0;
    for (let k = 0; k < SEGMENTS; k++) {
      const at = rest(table, pe, h);
      const pace = (exponent: number) => ((2 * m) / unit.ratedFlow) ** exponent;
      const ratio = byZone(table, pe, h, [0.5 * pace(0.8), own.boilingRatio * pace(own.flowExponent), pace(0.8)]);
      const inside = (ratio * indoor.UA * 0.5) / SEGMENTS;
      // the surface where what comes from the air goes into the refrigerant: dry, and wet where that is more
      let surface = at.T + (C * reach * (conditions.indoorK - at.T)) / (inside + C * reach);
      let q = inside * (surface - at.T);
      if (w > 0 && saturatedEnthalpy(surface, p) < hAir) {
        let [low, high] = [at.T, conditions.indoorK];
        for (let pass = 0; pass < 12; pass++) {
          surface = (low + high) / 2;
          const wet = Math.max((C / cp) * reach * (hAir - saturatedEnthalpy(surface, p)), C * reach * (conditions.indoorK - surface));
          if (wet > inside * (surface - at.T)) low = surface;
          else high = surface;
        }
        q = inside * (surface - at.T);
      }
      heat += q;
      sensible += Math.min(q, C * reach * (conditions.indoorK - surface));
      const next = h + q / m;
      const x = Math.min(1, Math.max(0, (at.x + rest(table, pe, next).x) / 2));
      kg += ((volumes[1] * 0.5) / SEGMENTS) * (at.zone === 1 ? twoPhaseRho(table, pe, x, own) : at.rho);
      h = next;
    }
    out += share * h;
  }
  return { h: out, kg, heat, sensible };
}

const rounded = (x: number): number => (x > 2 ? x : 0.06 * Math.log1p(Math.exp(x / 0.06)));

interface Running {
  readonly residual: readonly [number, number, number];
  readonly value: Record<ReadingName, number>;
  readonly kg: number;
  readonly superheat: number;
  /** Times the area that is there, at the rating's opening. */
  readonly needed: number;
}

function at(hw: Hardware, conditions: Conditions, faults: Faults, [lnPc, lnPe, lnFlow]: readonly number[]): Running {
  const { unit, own } = hw;
  const { table } = unit;
  const [pc, pe, flow] = [Math.exp(lnPc!), Math.exp(lnPe!), Math.exp(lnFlow!)];
  const scale = unit.plate.capacityW / 10_000;
  const room = 0.72 * hw.volumes[0];
  const inside = hw.volumes[0] + hw.volumes[1] + unit.shellM3 + unit.lineM * 2.6e-4;
  const pAir = faults.air === 0 ? 0 : ((faults.air * inside) / room) * 101_325 * 1.09;
  // the line behind the condenser is not known before what leaves it: two rounds are enough
  let [liquidH, marched] = [table.saturation(pc).hl, undefined as Marched | undefined];
  let cold!: Marched;
  let port!: { p: number; h: number; rho: number; T: number; s: number };
  let [discharge, work] = [0, 0];
  for (let round = 0; round < 3; round++) {
    cold = evaporator(hw, pe, flow, liquidH, conditions, faults.indoorAir);
    const h = cold.h + (0.33 * unit.lineM * (conditions.outdoorK - table.saturation(pe).Td)) / flow;
    const ps = pe - (unit.suctionDrop * flow * flow) / table.saturation(pe).rv;
    const state = rest(table, ps, h);
    const rho = state.zone === 0 ? state.rho : table.saturation(ps).rv / Math.max(0.2, state.x);
    port = { p: ps, h, rho, T: state.T, s: table.vapour(ps, Math.max(0, state.T - table.saturation(ps).Td)).s };
    const ideal =
      table.vapour(pc, table.superheatOfEntropy(pc, port.s)).h - table.vapour(ps, Math.max(0, state.T - table.saturation(ps).Td)).h;
    const r = pc / ps;
    work = ideal / (own.isentropic - 0.03 * (r - 3) ** 2) / (1 - 0.8 * faults.valveLeak);
    discharge = h + 0.95 * work;
    marched = condenser(hw, pc, flow, discharge, conditions.outdoorK, faults.outdoorAir, 1 / (1 + pAir / pc));
    liquidH = marched.h;
  }
  const leaves = rest(table, pc, liquidH);
  const liquid = table.liquid(Math.min(leaves.T, table.saturation(pc).Tb));
  const upstream = pc + pAir - (unit.liquidDrop * (1 + faults.restriction) * flow * flow) / liquid.rho;
  const before = rest(table, upstream, liquidH);
  const x = before.zone === 2 ? 0 : before.x;
  const sat = table.saturation(upstream);
  const rho = 1 / (x / sat.rv + (1 - x) / liquid.rho);
  const atCoil = table.saturation(pe);
  const superheatAtCoil = cold.h > atCoil.hv ? rest(table, pe, cold.h).T - atCoil.Td : (cold.h - atCoil.hv) / atCoil.cpv;
  const behind = unit.plate.metering === 'orifice' ? Math.max(pe, own.choke * Math.min(liquid.p, upstream)) : pe;
  const through = hw.area * faults.metering * Math.sqrt(2 * rho * Math.max(1e3, upstream - behind));
  // a valve stands open as its superheat says: what it would have to be for this flow is asked, for the other way round is too steep to follow
  const closed = Math.min(unit.guesses.txvStaticK, unit.valveSuperheat - 0.8);
  const needed = flow / through;
  const wanted = closed + needed * (unit.valveSuperheat - closed) + 60 * rounded(needed - unit.guesses.txvMost);
  const fed = unit.plate.metering === 'orifice' ? Math.log(through / flow) : (superheatAtCoil - wanted) / 20;
  const swept = unit.displacement * port.rho * (0.97 - own.fillingSlope * (pc / port.p - 1)) * (1 - faults.valveLeak);
  const kg =
    marched!.kg + cold.kg + unit.lineM * (4.9e-5 * liquid.rho + 2.1e-4 * port.rho) + unit.shellM3 * port.rho + 0.07 * Math.sqrt(scale);
  const [indoorC, outdoorC] = [unit.indoor.flow * faults.indoorAir, unit.outdoor.flow * faults.outdoorAir];
  const fan = (773 * indoorC) / 1190;
  const wetBulb = conditions.indoorWetBulbK === undefined ? conditions.indoorK : leavingWetBulb(conditions, cold.heat, indoorC);
  return {
    residual: [Math.log(swept / flow), fed, (kg - faults.charge * hw.chargeKg) / hw.chargeKg],
    kg,
    superheat: superheatAtCoil,
    needed,
    value: {
      head: pc + pAir + faults.headGauge,
      suction: port.p + faults.suctionGauge,
      suctionLine: port.T,
      liquidLine: leaves.T,
      supply: conditions.indoorK - cold.sensible / indoorC + fan / indoorC,
      discharge: rest(table, pc, discharge).T,
      power: flow * work + fan,
      condenserAir: conditions.outdoorK + marched!.heat / outdoorC,
      meteringInlet: Math.min(leaves.T, before.T),
      supplyWetBulb: wetBulb,
      headZero: faults.headGauge,
      suctionZero: faults.suctionGauge,
      standing: faults.air * 101_325 + faults.headGauge,
      airflow: faults.indoorAir * unit.guesses.indoorAir,
      outdoorCoil: faults.outdoorAir * unit.guesses.outdoorAir,
    },
  };
}

function leavingWetBulb(conditions: Conditions, heat: number, C: number): number {
  const w = humidityOf(conditions.indoorK, conditions.indoorWetBulbK!, 101_325);
  return saturatedTemperature(airEnthalpy(conditions.indoorK, w) - (heat * (1006 + 1860 * w)) / C, 101_325);
}

/** Damped Newton with wide differences: the pieces of a coil change their zones in steps. */
function solve(residual: (u: readonly number[]) => readonly number[], start: readonly number[]): readonly number[] | undefined {
  const norm = (r: readonly number[]) => Math.hypot(...r);
  let u = [...start];
  let r = residual(u);
  for (let step = 0; step < 60; step++) {
    if (norm(r) < 3e-5) return u;
    const n = u.length;
    const J = u.map((_, k) => {
      const moved = [...u];
      moved[k]! += 1e-4;
      return residual(moved).map((value, i) => (value - r[i]!) / 1e-4);
    });
    const a = Array.from({ length: n }, (_, i) => [...J.map((column) => column[i]!), -r[i]!]);
    for (let i = 0; i < n; i++) {
      const pivot = a.slice(i).reduce((best, row, k) => (Math.abs(row[i]!) > Math.abs(a[best]![i]!) ? i + k : best), i);
      [a[i], a[pivot]] = [a[pivot]!, a[i]!];
      if (!(Math.abs(a[i]![i]!) > 1e-12)) return undefined;
      for (let j = i + 1; j < n; j++) {
        const f = a[j]![i]! / a[i]![i]!;
        for (let k = i; k <= n; k++) a[j]![k]! -= f * a[i]![k]!;
      }
    }
    const move = new Array<number>(n).fill(0);
    for (let i = n - 1; i >= 0; i--)
      move[i] = (a[i]![n]! - a[i]!.slice(i + 1, n).reduce((sum, value, k) => sum + value * move[i + 1 + k]!, 0)) / a[i]![i]!;
    const limit = Math.max(1, ...move.map((value) => Math.abs(value) / 0.12));
    let found = false;
    for (let share = 1 / limit; share > 0.01 / limit; share /= 2) {
      const next = u.map((value, k) => value + share * move[k]!);
      const values = residual(next);
      if (norm(values) < norm(r)) {
        [u, r, found] = [next, values, true];
        break;
      }
    }
    if (!found) return norm(r) < 1e-3 ? u : undefined;
  }
  return norm(r) < 1e-3 ? u : undefined;
}

/** A unit that nobody but its maker knows: drawn, and charged and fed at its rating so that its plate is right. */
export class HiddenUnit {
  private constructor(
    private readonly hw: Hardware,
    private readonly rated: readonly number[],
  ) {}

  static drawn(plate: UnitPlate, seed: number): HiddenUnit | undefined {
    const random = randomOf(seed);
    const normal = normalOf(random);
    const guesses = Object.fromEntries(
      guessNames.map((name) => [name, usualGuesses[name] + sigmaOf(name) * Math.max(-2, Math.min(2, normal()))]),
    ) as unknown as Guesses;
    const unit = designOf(plate, guesses);
    const spread = (value: number, ln: number) => value * Math.exp(ln * Math.max(-1.8, Math.min(1.8, normal())));
    const structure: Structure = {
      slip: 0.25 + 0.25 * random(),
      voidFactor: spread(1.2, 0.25),
      insideRatio: [spread(1, 0.25), spread(3, 0.25), spread(1.2, 0.25)],
      boilingRatio: spread(2.5, 0.3),
      airExponent: spread(0.6, 0.15),
      flowExponent: spread(0.5, 0.2),
      refrigerantShare: 0.5 + 0.06 * (random() - 0.5),
      airShare: 0.5 + 0.1 * (random() - 0.5),
      fillingSlope: 0.008 + 0.012 * random(),
      isentropic: spread(unit.plate.compressor === 'reciprocating' ? 0.62 : 0.68, 0.05),
      choke: unit.orificeC,
    };
    const rating = ratingOf(plate);
    const blank: Hardware = { unit, own: structure, area: 1, volumes: [unit.outdoor.volume, unit.indoor.volume], chargeKg: 1 };
    const [pc, pe] = unit.rated;
    // at the rating its superheat and its subcooling are what its maker meant; area and charge follow from them
    const subcooling = (plate.plateSubcoolingK ?? 5.6) + guesses.subcoolingK;
    const start = [pc, pe, Math.log(unit.ratedFlow)];
    const solved = solve((u) => {
      const state = at(blank, rating, noFaults, u);
      return [
        state.residual[0],
        (unit.table.saturation(Math.exp(u[0]!)).Tb - state.value.liquidLine - subcooling) / 20,
        (state.superheat - unit.valveSuperheat) / 20,
      ];
    }, start);
    if (solved === undefined) return undefined;
    const state = at(blank, rating, noFaults, solved);
    const area = state.needed;
    const lines = state.kg - at({ ...blank, volumes: [0, 0] }, rating, noFaults, solved).kg;
    const share = (plate.plateKg - (state.kg - lines)) / lines;
    const hw: Hardware = { ...blank, area, volumes: [share * blank.volumes[0], share * blank.volumes[1]], chargeKg: plate.plateKg };
    return new HiddenUnit(hw, solved);
  }

  /** What ideal instruments would read; nothing where it does not settle. */
  readings(conditions: Conditions, faults: Faults): Record<ReadingName, number> | undefined {
    let u: readonly number[] | undefined = this.rated;
    const rating = ratingOf(this.hw.unit.plate);
    const between = (from: number, to: number, share: number) => from + share * (to - from);
    for (const share of [0.25, 0.5, 0.75, 1]) {
      if (u === undefined) return undefined;
      const current: Conditions = {
        ...conditions,
        outdoorK: between(rating.outdoorK, conditions.outdoorK, share),
        indoorK: between(rating.indoorK, conditions.indoorK, share),
        ...(conditions.indoorWetBulbK === undefined
          ? {}
          : { indoorWetBulbK: between(rating.indoorWetBulbK!, conditions.indoorWetBulbK, share) }),
      };
      const names = Object.keys(noFaults) as (keyof Faults)[];
      const some = Object.fromEntries(names.map((name) => [name, between(noFaults[name], faults[name], share)])) as unknown as Faults;
      u = solve((tried) => at(this.hw, current, some, tried).residual, u);
    }
    return u === undefined ? undefined : at(this.hw, conditions, faults, u).value;
  }
}
