import data from './part-room.json';

/** How full of liquid a condenser or receiver may be that will be shut off. */
export interface PartRoom {
  /** Share of its volume that liquid may take today, 0 to 1: 80 % in practice; an organisation may choose less. */
  readonly share: number;
  /** Share that liquid may take at the hottest temperature it will see. */
  readonly keptShare: number;
  /** That temperature, K. */
  readonly hottest: number;
}

export const USUAL_SHARE: number = data.share;
export const USUAL_ROOM: PartRoom = { share: data.share, keptShare: data.keptShare, hottest: data.inTheSun };

/** In the shade nothing hotter than the rule for 131 °F is reckoned with; where nobody knows, it stands in the sun. */
export const IN_THE_SHADE: number = data.leastHottest;
