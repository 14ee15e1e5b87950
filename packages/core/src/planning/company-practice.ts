import { USUAL_ROOM } from '../circuit/part-room';

export const endsOfPumpDown = ['slightly-positive', 'vacuum'] as const;
export type EndOfPumpDown = (typeof endsOfPumpDown)[number];

/** Where practitioners differ, and an organisation decides for all its people. */
export interface CompanyPractice {
  /** Share of a condenser or receiver that liquid may take. */
  readonly partShare: number;
  /** Share of it that liquid may take when it stands in the heat, and the hottest it gets in the sun, K. */
  readonly keptShare: number;
  readonly hottestK: number;
  /** Slightly positive keeps air out and any compressor whole; a vacuum leaves less behind, and only a reciprocating one bears it. */
  readonly endOfPumpDown: EndOfPumpDown;
}

export const USUAL_PRACTICE: CompanyPractice = {
  partShare: USUAL_ROOM.share,
  keptShare: USUAL_ROOM.keptShare,
  hottestK: USUAL_ROOM.hottest,
  endOfPumpDown: 'slightly-positive',
};
