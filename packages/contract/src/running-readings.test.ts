import { runningReadings } from './running';
import { readingsFrom, readingsTo } from './running-readings';

const wire = {
  headPa: 2.6e6,
  suctionPa: 9.7e5,
  suctionLineK: 288,
  liquidLineK: 309,
  supplyK: 287,
  dischargeK: 345,
  powerW: 3200,
  condenserLeavingAirK: 318,
  meteringInletK: 308,
  supplyWetBulbK: 285,
  headGaugeZeroPa: 4000,
  suctionGaugeZeroPa: -2000,
  standingBeyondPa: 10_000,
};

test('every reading of the schema crosses to the core and back', () => {
  expect(Object.keys(wire).sort()).toEqual(Object.keys(runningReadings.shape).sort());
  expect(readingsTo(readingsFrom(wire))).toEqual(wire);
});

test('what was not read is absent on both sides, a nought is a reading', () => {
  expect(readingsFrom({ headPa: 2.6e6, headGaugeZeroPa: 0 })).toEqual({ head: 2.6e6, headZero: 0 });
  expect(readingsTo({ suction: 9e5 })).toEqual({ suctionPa: 9e5 });
});

test('what is only seen by the eye has no name on the wire', () => {
  expect(readingsTo({ outdoorCoil: 0.8, airflow: 0.9 })).toEqual({});
});
