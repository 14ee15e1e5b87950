import type { Visit } from './visit';

/** Nobody has seen, planned, weighed, tested or said anything on it: such a visit is closed only with the reason. */
export const nothingRecorded = ({
  look,
  plan,
  recovered,
  marked,
  tests,
  runs,
  readings,
  joints,
  photographs,
  chargeNotes,
}: Visit): boolean =>
  Object.keys(look).length === 0 &&
  plan === null &&
  recovered.bookings === 0 &&
  [marked, tests, runs, readings, joints, photographs, chargeNotes].every(({ length }) => length === 0);
