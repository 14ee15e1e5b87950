import { tubeVolume, type LineSet, type TubeSize } from '../circuit/line-set';
import type { Composition } from '../fluids/composition';
import { bubblePoint, dewPoint } from '../thermo/saturation';
import { kelvin, within, type Kelvin, type Metre } from '../units/quantity';
import data from './charge-target.json';

export type HoseBore = keyof typeof data.hose.bores;
export const hoseBores = Object.keys(data.hose.bores) as readonly HoseBore[]; // the keys of the table are the sizes

export interface ChargeTask {
  readonly composition: Composition;
  /** kg, as printed. */
  readonly plateKg: number;
  readonly lineSet?: LineSet | undefined;
  /** kg that a larger drier takes beyond the one that was in it. */
  readonly drierKg?: number | undefined;
  /** kg of oil that was changed: fresh oil takes refrigerant up. */
  readonly oilKg?: number | undefined;
  /** The hose that stays full of liquid at the end. */
  readonly hose?: { readonly bore: HoseBore; readonly lengthM: number; readonly givenBack: boolean } | undefined;
  /** Flooded head-pressure control: kg beyond the plate, from `floodedCharge`. */
  readonly floodedKg?: number | undefined;
  /** kg that a new unit was shipped with, and still holds. */
  readonly cameWithKg?: number | undefined;
  /** Liquid in the line, K. */
  readonly liquidK?: Kelvin | undefined;
}

export type ChargeTerm = 'plate' | 'liquid-line' | 'suction-line' | 'drier' | 'oil' | 'hose' | 'flooded' | 'came-with' | 'scale';

/** One line of the budget, kg. */
export interface ChargeLine {
  readonly term: ChargeTerm;
  readonly kg: number;
  readonly sigmaKg: number;
}

export interface ChargeTarget {
  /** kg to be weighed in; nothing where what it came with is enough. */
  readonly kg: number;
  /** kg that it holds beyond its charge as it came, where that is more. */
  readonly beyondKg: number;
  readonly sigmaKg: number;
  readonly budget: readonly ChargeLine[];
}

/**
 * The charge to weigh in: the plate, and what the line set, drier, oil and hose take beyond it, each with its error. What the plate covers is
 * no error but a question. @throws OutOfRange, UnknownRefrigerant and the property core's errors
 */
export function chargeTarget(task: ChargeTask): ChargeTarget {
  within('charge on the plate', task.plateKg, Number.MIN_VALUE, 1e5, 'kg');
  const budget: ChargeLine[] = [
    { term: 'plate', kg: task.plateKg, sigmaKg: data.plateShare * task.plateKg },
    ...lines(task),
    ...(task.drierKg === undefined
      ? []
      : [{ term: 'drier' as const, kg: task.drierKg, sigmaKg: data.drierShare * Math.abs(task.drierKg) }]),
    ...(task.oilKg === undefined
      ? []
      : [{ term: 'oil' as const, kg: data.oilTakes.share * task.oilKg, sigmaKg: data.oilTakes.sd * task.oilKg }]),
    ...(task.floodedKg === undefined
      ? []
      : [{ term: 'flooded' as const, kg: task.floodedKg, sigmaKg: data.flooded.sdShare * task.floodedKg }]),
    ...hoseLine(task),
    // its doubt is that of the plate, which is counted once
    ...(task.cameWithKg === undefined ? [] : [{ term: 'came-with' as const, kg: -task.cameWithKg, sigmaKg: 0 }]),
    { term: 'scale', kg: 0, sigmaKg: data.scaleKg },
  ];
  const kg = budget.reduce((sum, line) => sum + line.kg, 0);
  return {
    kg: Math.max(0, kg),
    beyondKg: Math.max(0, -kg),
    sigmaKg: Math.sqrt(budget.reduce((sum, { sigmaKg }) => sum + sigmaKg * sigmaKg, 0)),
    budget,
  };
}

/** kg/m of liquid and of suction line. */
export function perMetre(composition: Composition, size: TubeSize, holds: 'liquid' | 'suction', T?: Kelvin): number {
  const area = tubeVolume(size, 1 as Metre);
  return holds === 'liquid'
    ? area * bubblePoint(composition, T ?? kelvin(data.usual.liquidK)).rhoLiquid
    : area * dewPoint(composition, T ?? kelvin(data.usual.suctionK)).rhoVapour;
}

function lines({ composition, lineSet, liquidK }: ChargeTask): readonly ChargeLine[] {
  if (lineSet === undefined) return [];
  const { length, covered, liquid, suction } = lineSet;
  const beyond = length - covered;
  const at = liquidK ?? kelvin(data.usual.liquidK);
  const ofLiquid = perMetre(composition, liquid, 'liquid', at);
  const warmer = perMetre(composition, liquid, 'liquid', kelvin(at + data.liquidK));
  const sigma = (kgPerMetre: number) => Math.hypot(data.boreShare * kgPerMetre * beyond, data.lengthM * kgPerMetre);
  const ofSuction = perMetre(composition, suction, 'suction');
  return [
    { term: 'liquid-line', kg: ofLiquid * beyond, sigmaKg: Math.hypot(sigma(ofLiquid), (ofLiquid - warmer) * beyond) },
    { term: 'suction-line', kg: ofSuction * beyond, sigmaKg: sigma(ofSuction) },
  ];
}

function hoseLine({ composition, hose }: ChargeTask): readonly ChargeLine[] {
  if (hose === undefined) return [];
  const area = (Math.PI * data.hose.bores[hose.bore] ** 2) / 4;
  const full = area * hose.lengthM * bubblePoint(composition, kelvin(data.usual.cylinderK)).rhoLiquid;
  return [{ term: 'hose', kg: hose.givenBack ? 0 : full, sigmaKg: data.hose.sdShare * full }];
}

/** K between condensing and outdoor air, and the pressure that is held, as a temperature. */
export interface FloodedTask {
  readonly composition: Composition;
  readonly condenserM3: number;
  readonly setK: Kelvin;
  readonly outdoorK: Kelvin;
  /** K, at design. */
  readonly differenceK: number;
}

/** What head-pressure valves are usually set to, and the design difference of a condenser, where nobody has read them. */
export const usualFlooded = { setK: kelvin(data.flooded.setK), differenceK: data.flooded.differenceK } as const;

/**
 * Share of a condenser that is flooded to hold its pressure in the cold, and what that takes beyond the charge of a warm day, kg. Common
 * practice. Charged above 70 °F, a full sight glass is not the charge of the winter.
 */
export function floodedCharge({ composition, condenserM3, setK, outdoorK, differenceK }: FloodedTask): {
  readonly share: number;
  readonly kg: number;
} {
  const apart = setK - outdoorK;
  const share = apart <= 0 ? 0 : Math.max(0, 1 - (data.flooded.share * differenceK) / apart);
  const { rhoLiquid } = bubblePoint(composition, setK);
  const mean = data.flooded.meanShare * rhoLiquid;
  return { share, kg: share * condenserM3 * (rhoLiquid - mean) };
}

/** kg that a receiver may hold: 80 % liquid at the hottest. */
export const receiverHolds = (composition: Composition, receiverM3: number, hottestK: Kelvin, share = 0.8): number =>
  share * receiverM3 * bubblePoint(composition, hottestK).rhoLiquid;

/** K of a liquid line in use. */
export const usualLiquidLine = kelvin(data.usual.liquidK);
