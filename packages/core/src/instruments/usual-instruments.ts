import data from './usual-instruments.json';

/** A pressure gauge: span, share that it may be off, and Pa that it may read too low. */
export const usualGauge = data.gauge;
/** A vacuum gauge: share that it may be off, and its last digit. */
export const usualMicronGauge = data.micronGauge;
/** m of a charging hose. */
export const usualHoseM = data.hose.lengthM;
/** m³ of hoses, manifold and gauge on a system under vacuum. */
export const usualVacuumRigM3 = data.vacuumRigM3;
