import type { Cylinder } from '@hygromet/contract/cylinder';
import { fillLimits, type Filling } from '@hygromet/core/cylinder/fill-limit';
import type { FillPolicy } from '@hygromet/core/cylinder/fill-rule';
import { contentsByPressure } from '@hygromet/core/cylinder/judged-contents';
import { isUnknown } from '@hygromet/core/cylinder/unknown-content';
import { levelAt } from '@hygromet/core/cylinder/level';
import { pressureRating } from '@hygromet/core/cylinder/pressure-rating';
import { USUAL_HANDLING } from '@hygromet/core/cylinder/handling';
import { stopWeight } from '@hygromet/core/cylinder/stop-weight';
import { CoreError } from '@hygromet/core/errors';
import { kilogram } from '@hygromet/core/units/quantity';
import { unless } from '@hygromet/core/unless';
import { USUAL_REFERENCE } from '@hygromet/core/cylinder/reference-temperatures';

/** What is in a cylinder, and by which rules it is judged. What is in it is what it is: no port and nothing that comes is asked here. */
export interface FillStatusQuestion {
  readonly filling: Filling;
  readonly policy: FillPolicy;
  readonly airShare: number | undefined;
}

/** What the full model says of a cylinder. */
export interface FillStatus {
  readonly fillStatus: Cylinder['fillStatus'];
  /** Whether its pressure class suits what is in it. */
  readonly suits: boolean;
}

/** What cannot be computed is flagged, and fails no list: liquids that part, no convergence, a mark of the collar that is missing. */
export const fillStatusOf = (question: FillStatusQuestion): FillStatus => ({
  fillStatus: standingOf(question),
  // its class is judged whether there is a limit or not; where neither has an answer, it is flagged for that
  suits: unless(CoreError, () => suits(question)) ?? true,
});

function standingOf(question: FillStatusQuestion): Cylinder['fillStatus'] {
  try {
    return limited(question);
  } catch (error) {
    if (error instanceof CoreError) return { state: 'no-limit', why: error.message };
    throw error;
  }
}

function limited({ filling, policy }: FillStatusQuestion): Cylinder['fillStatus'] {
  const { composition, volume } = filling;
  const { limit, gross, net } = stopWeight(fillLimits(filling, policy), composition, USUAL_HANDLING);
  const levelOf = (massKg: number) =>
    isUnknown(composition) ? null : levelAt(composition, volume, kilogram(massKg), USUAL_REFERENCE).liquidShare;
  return {
    state: 'limited',
    ruling: limit.rule,
    limitGrossKg: limit.gross,
    stopGrossKg: gross,
    mayAddKg: gross - filling.tare - filling.content,
    liquidShare77F: levelOf(filling.content),
    stopShare77F: levelOf(net),
  };
}

function suits({ filling: { composition, volume, content, rating = {} }, airShare }: FillStatusQuestion): boolean {
  const contents = contentsByPressure({ composition, content, port: 'liquid' });
  if (content === 0) return pressureRating(contents, rating).suits;
  return pressureRating(contents, rating, { volume, mass: content, airShare }).suits;
}
