import type { Readings } from '@hygromet/core/cycle/cycle-readings';
import type { RunningReadings } from './running';

/** Readings of the wire in the words of the core; what was not read is absent. */
export function readingsFrom(own: RunningReadings): Readings {
  const all = {
    head: own.headPa,
    suction: own.suctionPa,
    suctionLine: own.suctionLineK,
    liquidLine: own.liquidLineK,
    supply: own.supplyK,
    discharge: own.dischargeK,
    power: own.powerW,
    condenserAir: own.condenserLeavingAirK,
    meteringInlet: own.meteringInletK,
    supplyWetBulb: own.supplyWetBulbK,
    headZero: own.headGaugeZeroPa,
    suctionZero: own.suctionGaugeZeroPa,
    standing: own.standingBeyondPa,
  };
  return Object.fromEntries(Object.entries(all).filter(([, value]) => value !== undefined));
}
