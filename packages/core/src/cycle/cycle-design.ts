import { filling, compressed } from './compressor';
import { condenserAt } from './condenser';
import { airInside, noFaults, type Conditions } from './conditions';
import data from './cycle-parameters.json';
import { cycleTable, type CycleTable } from './cycle-table';
import { evaporatorAt } from './evaporator';
import { inletOf, opening } from './metering';
import { sceneOf, stateAt } from './cycle-state';
import { orificeChoke, usualGuesses, usualLine, type Coil, type Guesses, type Unit, type UnitPlate } from './unit';

const TON = 3517;

/** The point at which a unit of this kind is rated. */
export function ratingOf({ kind }: UnitPlate): Conditions {
  const { air, box, water } = data.rating;
  if (kind === 'walk-in') return { outdoorK: box.outdoorK, indoorK: box.boxK };
  if (kind === 'chiller') return { outdoorK: air.outdoorK, indoorK: water.enteringK };
  return { outdoorK: air.outdoorK, indoorK: air.indoorK, indoorWetBulbK: air.wetBulbK };
}

const suctionSaturation = ({ kind }: UnitPlate, { suctionK }: Guesses): number => {
  const beyond = suctionK - data.guesses.suctionK.value;
  if (kind === 'walk-in') return data.rating.box.boxK - data.rating.box.belowBoxK + beyond;
  return kind === 'chiller' ? data.rating.water.suctionK + beyond : suctionK;
};

const flowsOf = ({ kind, capacityW }: UnitPlate, { indoorAir, outdoorAir }: Guesses) => {
  const tons = capacityW / TON;
  const { heatCapacity } = data.air;
  const indoor =
    kind === 'chiller'
      ? capacityW / data.water.riseK
      : heatCapacity * tons * (kind === 'walk-in' ? data.air.boxPerTon : data.air.indoorPerTon) * indoorAir;
  return { outdoor: heatCapacity * tons * data.air.outdoorPerTon * outdoorAir, indoor };
};

/**
 * A unit of this plate whose numbers close exactly at its rating point: displacement, conductances, metering area, and the volumes that hold
 * the plate's charge there. @throws the property core's errors for a composition without a liquid
 */
export function designOf(plate: UnitPlate, guesses: Guesses = usualGuesses): Unit {
  const table = cycleTable(plate.composition);
  const rating = ratingOf(plate);
  const pc = pressureOf(table, rating.outdoorK + guesses.ctoaK, ({ Tb, Td }) => (Tb + Td) / 2);
  const ps = pressureOf(table, suctionSaturation(plate, guesses), ({ Td }) => Td);
  const pe = ps / (1 - data.drops.suction);
  const head = pc * (1 + data.drops.condenser);
  const [atHead, atCoil, atPort] = [table.saturation(pc), table.saturation(pe), table.saturation(ps)];
  const receiver = plate.receiverM3;
  const subcooling =
    receiver === undefined ? (plate.plateSubcoolingK ?? data.subcoolingK.usual) + guesses.subcoolingK : data.subcoolingK.receiver;
  const liquidK = atHead.Tb - Math.max(0.3, subcooling);
  const liquid = table.liquid(liquidK);
  const lineM = plate.lineM ?? usualLine(plate.kind);

  // the suction line warms what leaves the coil; the orifice's superheat counts at the compressor, a valve's at the coil
  const gain = (flow: number, T: number) => (data.suctionGainPerMetre * lineM * (rating.outdoorK - T)) / flow;
  const least = 1.5;
  let outletK = atCoil.Td + 5;
  let flow = plate.capacityW / (table.vapour(pe, 5).h - liquid.h);
  for (let pass = 0; pass < 4; pass++) {
    const usual =
      { orifice: data.superheat.orificeK, txv: data.superheat.txvK, eev: data.superheat.eevK }[plate.metering] + guesses.superheatK;
    outletK =
      plate.metering === 'orifice'
        ? Math.max(atCoil.Td + least, atPort.Td + usual - gain(flow, outletK) / atPort.cpv)
        : atCoil.Td + Math.max(least, usual);
    flow = plate.capacityW / (table.vapour(pe, outletK - atCoil.Td).h - liquid.h);
  }
  const outletH = table.vapour(pe, outletK - atCoil.Td).h;
  const portH = outletH + gain(flow, outletK);
  const superheat = table.superheatOfEnthalpy(ps, portH);
  const rho = table.vapour(ps, superheat).rho;
  const kind = plate.compressor ?? 'scroll';
  const squeezed = compressed(table, kind, { p: ps, superheat, h: portH }, head, 0);
  const flows = flowsOf(plate, guesses);
  const air = airInside(rating);
  const y = -Math.log(1 - Math.min(0.98, (outletK - atCoil.Td) / (air.T - atCoil.Td)));

  const condenserWith = (coil: Coil) =>
    condenserAt({
      table,
      coil,
      saturated: atHead,
      p: pc,
      flow,
      ratedFlow: flow,
      dischargeK: squeezed.dischargeK,
      dischargeH: squeezed.dischargeH,
      airK: rating.outdoorK,
      betterOutside: 1,
      airFlow: 1,
      slip: guesses.slip,
    });
  const outdoor = coilWith(flows.outdoor, (coil) => condenserWith(coil).outletK - liquidK);
  const wetSide = plate.kind === 'chiller' ? ('water' as const) : ('air' as const);
  const evaporatorWith = (coil: Coil) =>
    evaporatorAt({
      table,
      coil,
      wetSide,
      saturated: atCoil,
      p: pe,
      flow,
      ratedFlow: flow,
      inletH: liquid.h,
      y,
      air,
      airFlow: 1,
      ratio: guesses.evaporatorRatio,
      slip: guesses.slip,
    });
  const indoor = coilWith(flows.indoor, (coil) => evaporatorWith(coil).areaNeeded - 1);

  const scale = plate.capacityW / 10_000;
  const base = {
    plate,
    guesses,
    table,
    wetSide,
    displacement: flow / (rho * filling(kind, head / ps)),
    ratedFlow: flow,
    valveSuperheat: outletK - atCoil.Td,
    suctionDrop: ((pe - ps) * rho) / flow ** 2,
    liquidDrop: (data.drops.liquid * pc * liquid.rho) / flow ** 2,
    orificeC: orificeChoke(plate.composition) + guesses.orificeC,
    lineM,
    shellM3: data.shellM3At10kW * scale,
    oilHolds: data.oil.kgAt10kW * Math.sqrt(scale) * data.oil.holds,
    ratedSuction: ps,
    chargeKg: plate.plateKg,
    restsKg: 0,
    rated: [Math.log(pc), Math.log(pe), y] as const,
  };
  const volumes = volumesOf(plate, guesses, {
    condenser: condenserWith(outdoor).holds / outdoor.volume,
    evaporator: evaporatorWith(indoor).holds / indoor.volume,
    elsewhere: lineM * (data.tubes.liquidAreaM2 * liquid.rho + data.tubes.suctionAreaM2 * rho) + base.shellM3 * rho + base.oilHolds,
    liquid: atHead.rl,
  });
  const drop = inletOf(
    { ...base, meteringArea: 1, outdoor, indoor },
    { upstream: pc * (1 - data.drops.liquid), liquidH: liquid.h, liquidK },
  );
  const behind = plate.metering === 'orifice' ? Math.max(pe, base.orificeC * drop.bubble) : pe;
  const withVolumes = { ...base, outdoor: { ...outdoor, volume: volumes.outdoor }, indoor: { ...indoor, volume: volumes.indoor } };
  const open = plate.metering === 'orifice' ? 1 : opening({ ...withVolumes, meteringArea: 1 }, base.valveSuperheat);
  const meteringArea = flow / (open * Math.sqrt(2 * drop.rho * (pc * (1 - data.drops.liquid) - behind)));
  return closed({ ...withVolumes, meteringArea }, rating);
}

/** What the closed forms left open by their rounded corners is closed: charge and metering area are those with which it runs at its rating. */
function closed(unit: Unit, rating: Conditions): Unit {
  const { holdsKg, residual } = stateAt(sceneOf(unit, rating, noFaults), unit.rated);
  return { ...unit, chargeKg: holdsKg, meteringArea: unit.meteringArea * Math.exp(-residual[0]) };
}

/** A coil whose conductance makes `off` nought; where its air is too little for any, it gets more. `off` falls as the coil grows. */
function coilWith(flow: number, off: (coil: Coil) => number): Coil {
  for (let air = flow, tries = 0; ; air *= 1.12, tries++) {
    const at = (lnUA: number) => off({ UA: Math.exp(lnUA), flow: air, volume: 1 });
    let [low, high] = [Math.log(0.05 * air), Math.log(60 * air)];
    if (at(high) > 0 && tries < 20) continue;
    for (let k = 0; k < 50; k++) {
      const middle = (low + high) / 2;
      if (at(middle) > 0) low = middle;
      else high = middle;
    }
    return { UA: Math.exp((low + high) / 2), flow: air, volume: 1 };
  }
}

interface Holds {
  readonly condenser: number;
  readonly evaporator: number;
  readonly elsewhere: number;
  readonly liquid: number;
}

/** m³ of the coils that hold the rest of the plate; with a receiver they are as large as usual, and it holds the rest. */
function volumesOf({ plateKg, receiverM3, capacityW }: UnitPlate, { volumeRatio }: Guesses, holds: Holds) {
  const perVolume = holds.condenser + volumeRatio * holds.evaporator;
  const usual = (0.55e-3 * capacityW) / 1000;
  const outdoor = receiverM3 === undefined ? Math.max(0.1 * usual, (plateKg - holds.elsewhere) / perVolume) : usual;
  return { outdoor, indoor: volumeRatio * outdoor };
}

/** Pa at which what is asked of the saturated state is T. */
export function pressureOf(table: CycleTable, T: number, of: (at: { readonly Tb: number; readonly Td: number }) => number): number {
  let [low, high] = [Math.log(table.least), Math.log(table.most)];
  for (let k = 0; k < 60; k++) {
    const middle = (low + high) / 2;
    if (of(table.saturation(Math.exp(middle))) < T) low = middle;
    else high = middle;
  }
  return Math.exp((low + high) / 2);
}
