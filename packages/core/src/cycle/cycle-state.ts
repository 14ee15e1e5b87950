import { compressed, filling } from './compressor';
import { condenserAt, type CondenserState } from './condenser';
import { airInside, airOutside, type AirOn, type Conditions, type Faults } from './conditions';
import data from './cycle-parameters.json';
import { evaporatorAt, evaporatorOutlet, type EvaporatorState } from './evaporator';
import { flowThrough } from './metering';
import { STANDARD_ATMOSPHERE } from '../units/pressure';
import type { Unit } from './unit';

/** ln of the pressure in the condenser, ln of that in the evaporator, and the state that leaves the evaporator. */
export type Unknown = readonly [number, number, number];

/** A running circuit at one guess of its unknowns: SI, pressures absolute. */
export interface CycleState {
  readonly u: Unknown;
  /** Metering against compressor, area needed against area, charge held against charge: all 0 where it runs. */
  readonly residual: Unknown;
  /** Pa at the liquid port, with the air that is in it, and at the suction port. */
  readonly head: number;
  readonly suction: number;
  readonly suctionK: number;
  readonly liquidK: number;
  readonly dischargeK: number;
  readonly meteringInletK: number;
  /** K of the air or water behind the evaporator, with the heat of its fan, and of the air behind the condenser. */
  readonly supplyK: number;
  readonly rejectedK: number;
  readonly powerW: number;
  readonly capacityW: number;
  readonly flow: number;
  readonly holdsKg: number;
  readonly condenser: CondenserState;
  readonly evaporator: EvaporatorState;
}

/** What does not depend on the unknowns. */
export interface Scene {
  readonly unit: Unit;
  readonly conditions: Conditions;
  readonly faults: Faults;
  readonly condenserAir: AirOn;
  readonly evaporatorAir: AirOn;
  /** Of the air of the place over that at the sea: a fan moves volumes. */
  readonly airDensity: number;
}

export function sceneOf(unit: Unit, conditions: Conditions, faults: Faults): Scene {
  const [outside, inside] = [heldUp(unit, airOutside(conditions)), airInside(conditions)];
  const heating = conditions.heating === true;
  return {
    unit,
    conditions,
    faults,
    condenserAir: heating ? { ...inside, humidity: 0 } : outside,
    evaporatorAir: heating ? outside : inside,
    airDensity: (conditions.atmospherePa ?? STANDARD_ATMOSPHERE) / STANDARD_ATMOSPHERE,
  };
}

/** Where its head is held in the cold, by flooding the condenser or by its fans, it condenses as on a day that is as warm as that takes. */
const heldUp = ({ plate: { headHeldK }, guesses }: Unit, air: AirOn): AirOn =>
  headHeldK === undefined ? air : { ...air, T: Math.max(air.T, headHeldK - guesses.ctoaK) };

/** Everything of a running circuit at this guess. */
export function stateAt(scene: Scene, u: Unknown): CycleState {
  const { unit, conditions, faults, condenserAir, evaporatorAir, airDensity } = scene;
  const { table, plate } = unit;
  const heating = conditions.heating === true;
  const [hot, cold] = heating ? [unit.indoor, unit.outdoor] : [unit.outdoor, unit.indoor];
  const [indoorAir, outdoorAir] = [faults.indoorAir * (unit.wetSide === 'air' ? airDensity : 1), faults.outdoorAir * airDensity];
  const [hotAir, coldAir] = heating ? [indoorAir, outdoorAir] : [outdoorAir, indoorAir];
  const [pc, pe, y] = [Math.exp(u[0]), Math.exp(u[1]), u[2]];
  const [atHead, atCoil] = [table.saturation(pc), table.saturation(pe)];
  const head = pc * (1 + data.drops.condenser);
  const kind = plate.compressor ?? 'scroll';
  const leaves = evaporatorOutlet(atCoil, y, evaporatorAir.T);

  const port = suctionPort(scene, { pe, leaves, head });
  const { flow } = port;
  const squeezed = compressed(table, kind, port, head, faults.valveLeak);

  const pAir = airPressure(scene, atHead.Td);
  const condenser = condenserAt({
    table,
    coil: hot,
    saturated: atHead,
    p: pc,
    flow,
    ratedFlow: unit.ratedFlow,
    dischargeK: squeezed.dischargeK,
    dischargeH: squeezed.dischargeH,
    airK: condenserAir.T,
    betterOutside: (conditions.rain === true ? 1 + data.rain.better : 1) / (1 + pAir / pc),
    airFlow: hotAir,
    slip: unit.guesses.slip,
  });
  const evaporator = evaporatorAt({
    table,
    coil: cold,
    wetSide: unit.wetSide,
    saturated: atCoil,
    p: pe,
    flow,
    ratedFlow: unit.ratedFlow,
    inletH: condenser.outletH,
    y,
    air: evaporatorAir,
    airFlow: coldAir,
    ratio: unit.guesses.evaporatorRatio,
    slip: unit.guesses.slip,
  });
  const liquid = table.liquid(condenser.outletK);
  const upstream = pc + pAir - (unit.liquidDrop * (1 + faults.restriction) * flow * flow) / liquid.rho;
  const through = flowThrough(unit, {
    upstream,
    downstream: pe,
    liquidH: condenser.outletH,
    liquidK: condenser.outletK,
    coilSuperheat: evaporator.outletK - atCoil.Td,
    area: faults.metering,
  });
  const holdsKg =
    condenser.holds +
    evaporator.holds +
    elsewhere(scene, {
      p: port.p,
      rho: port.rho,
      liquid: liquid.rho,
      outletH: condenser.outletH,
      hl: atHead.hl,
      rl: atHead.rl,
      rv: atHead.rv,
      wetBy: atCoil.hv - leaves.h,
    });
  const fanW = unit.wetSide === 'air' ? (data.air.fanPerFlow * indoorAir * unit.indoor.flow) / data.air.heatCapacity : 0;
  const [hotRises, coldFalls] = [condenser.heatW / (hot.flow * hotAir), evaporator.leavingK];
  const fanRises = fanW / (unit.indoor.flow * indoorAir);
  return {
    u,
    residual: [
      Math.log(through.flow / flow),
      Math.log(Math.max(1e-3, evaporator.areaNeeded)),
      (holdsKg + unit.restsKg - faults.charge * unit.chargeKg) / unit.chargeKg,
    ],
    head: pc + pAir,
    suction: port.p,
    suctionK: port.T,
    liquidK: condenser.outletK,
    dischargeK: squeezed.dischargeK,
    meteringInletK: through.inletK,
    supplyK: fanRises + (heating ? condenserAir.T + hotRises : coldFalls),
    rejectedK: heating ? coldFalls : condenserAir.T + hotRises,
    powerW: flow * squeezed.work + fanW,
    capacityW: heating ? condenser.heatW : evaporator.heatW,
    flow,
    holdsKg,
    condenser,
    evaporator,
  };
}

interface SuctionTask {
  readonly pe: number;
  readonly leaves: { readonly T: number; readonly h: number };
  readonly head: number;
}

/** The suction port: behind the suction line's drop and gain, with the flow that the compressor draws there. */
function suctionPort({ unit, conditions, faults }: Scene, { pe, leaves, head }: SuctionTask) {
  const { table, plate } = unit;
  const kind = plate.compressor ?? 'scroll';
  let [p, flow] = [pe * (1 - data.drops.suction), unit.ratedFlow];
  let current = { T: leaves.T, superheat: 0, h: leaves.h, rho: 1 };
  for (let pass = 0; pass < 3; pass++) {
    const at = table.saturation(p);
    const h = leaves.h + (data.suctionGainPerMetre * unit.lineM * (conditions.outdoorK - leaves.T)) / Math.max(0.1 * unit.ratedFlow, flow);
    current = h >= at.hv ? superheated(unit, p, h, at.Td) : wet(h, at);
    flow = unit.displacement * current.rho * filling(kind, Math.max(1.01, head / p)) * (1 - faults.valveLeak);
    p = Math.max(0.5 * pe, pe - (unit.suctionDrop * flow * flow) / current.rho);
  }
  return { ...current, p, flow };
}

function superheated({ table }: Unit, p: number, h: number, Td: number) {
  const superheat = table.superheatOfEnthalpy(p, h);
  return { T: Td + superheat, superheat, h, rho: table.vapour(p, superheat).rho };
}

function wet(
  h: number,
  { Td, hl, hv, rl, rv }: { readonly Td: number; readonly hl: number; readonly hv: number; readonly rl: number; readonly rv: number },
) {
  const x = Math.max(0.05, (h - hl) / (hv - hl));
  return { T: Td, superheat: 0, h, rho: 1 / (x / rv + (1 - x) / rl) };
}

/** Pa of air in the head, where it gathers. */
function airPressure({ unit, faults, conditions }: Scene, T: number): number {
  if (faults.air === 0) return 0;
  const { outdoor, indoor, plate, shellM3, lineM } = unit;
  const lines = lineM * (data.tubes.liquidAreaM2 + data.tubes.suctionAreaM2);
  const inside = outdoor.volume + indoor.volume + shellM3 + lines + (plate.receiverM3 ?? 0);
  const room = data.airInHead.condenser * outdoor.volume + data.airInHead.receiver * (plate.receiverM3 ?? 0);
  return ((faults.air * inside) / room) * (conditions.atmospherePa ?? STANDARD_ATMOSPHERE) * (T / 298.15);
}

interface Elsewhere {
  readonly p: number;
  readonly rho: number;
  readonly liquid: number;
  readonly outletH: number;
  readonly hl: number;
  readonly rl: number;
  readonly rv: number;
  /** J/kg that what leaves the evaporator lacks to be dry. */
  readonly wetBy: number;
}

/** kg in lines, shell, oil and receiver. */
function elsewhere({ unit }: Scene, { p, rho, liquid, outletH, hl, rl, rv, wetBy }: Elsewhere): number {
  const { lineM, shellM3, oilHolds, ratedSuction, plate } = unit;
  const lines = lineM * (data.tubes.liquidAreaM2 * liquid + data.tubes.suctionAreaM2 * rho);
  const logistic = (x: number) => 1 / (1 + Math.exp(Math.min(40, Math.max(-40, x))));
  const level = logistic((outletH - hl) / data.receiverWidth);
  // what leaves the evaporator wet stays in the accumulator of a heat pump
  const accumulator = plate.kind === 'heat-pump' ? data.accumulatorShare * unit.chargeKg * logistic(3 - wetBy / data.receiverWidth) : 0;
  const receiver = plate.receiverM3 === undefined ? 0 : plate.receiverM3 * (level * rl + (1 - level) * rv);
  return lines + shellM3 * rho + (oilHolds * p) / ratedSuction + receiver + accumulator;
}
