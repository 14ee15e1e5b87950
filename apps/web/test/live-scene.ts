import type { VisitTransfer } from '@hygromet/contract/visit-transfer';

/** A transfer of a rooftop unit into C-07 that began at nine. */
export const aTransfer = (more: Partial<VisitTransfer> = {}): VisitTransfer => ({
  id: 't1',
  setUp: {
    cylinder: 'c7',
    startGrossKg: 11.2,
    stopGrossKg: 16.8,
    tareKg: 7.8,
    machine: true,
    chargeSd: 0.1,
    scenario: {
      composition: { 'R-32': 0.5, 'R-125': 0.5 },
      system: { chargeKg: 9, temperatureK: 308, condenserM3: 0.0117, evaporatorM3: 0.0109 },
      cylinder: { volumeM3: 0.0119, tareKg: 7.8, contentKg: 3.4, temperatureK: 308, cooling: 'still-air', stopKg: 9 },
      machine: 'two-cylinders',
      hoses: { size: '3/8', lengthM: 1.5, cores: 'out' },
      ambientK: 308,
      method: 'vapour',
      endPa: 101_325,
    },
    instruments: {},
    speed: 1,
  },
  begunAt: '2026-11-29T09:00:00.000Z',
  begunBy: 'Ines Marrow',
  readings: [],
  notes: [],
  ended: null,
  ...more,
});
