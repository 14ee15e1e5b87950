import { USUAL_SHARE } from '../circuit/usual-share';

export const endsOfPumpDown = ['slightly-positive', 'vacuum'] as const;
export type EndOfPumpDown = (typeof endsOfPumpDown)[number];

/** Where practitioners differ, and an organisation decides for all its people. */
export interface Schools {
  /** Share of a condenser or receiver that liquid may take. */
  readonly partShare: number;
  /** Slightly positive keeps air out and any compressor whole; a vacuum leaves less behind, and only a reciprocating one bears it. */
  readonly endOfPumpDown: EndOfPumpDown;
}

export const USUAL_SCHOOLS: Schools = { partShare: USUAL_SHARE, endOfPumpDown: 'slightly-positive' };
