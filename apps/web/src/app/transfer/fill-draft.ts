import type { Port } from '@hygromet/core/cylinder/port';
import { USUAL_HANDLING } from '@hygromet/core/cylinder/handling';
import { newKey } from '../data/new-key';
import type { Preferences } from '../preferences/preferences';
import { emptyEntry, type QuantityEntry } from '../ui/quantity-entry';
import type { When } from '../ui/when';
import type { Question } from '@hygromet/contract/asked-back';
import type { Booked, ScaleTarget } from '@hygromet/contract/movement';

/** Everything a person has typed about one fill, kept on the device until it is booked. */
export interface FillDraft {
  /** Makes the booking happen once, however often it is sent. */
  readonly key: string;
  readonly stage: 'cylinder' | 'transfer' | 'account';
  readonly before: QuantityEntry;
  readonly after: QuantityEntry;
  /** Account it comes from; empty until one is chosen. */
  readonly source: string;
  /** The visit it is done on; empty outside of one. */
  readonly visit: string;
  /** Said by the person where the source does not say it. */
  readonly refrigerant: string | null;
  /** One of the places, or "own" with its temperature. */
  readonly place: string;
  readonly ownHottest: QuantityEntry;
  /** How far the scale may be off, what the hose still holds, the share of oil in per cent: each makes the valve shut earlier. */
  readonly scaleOff: QuantityEntry;
  readonly hose: string;
  readonly oilPercent: string;
  /** How it leaves the system; empty while nobody said it. */
  readonly port: '' | Port;
  /** The rule for the hottest place is set aside for this transfer, once a reason stands beside it. */
  readonly overrules: boolean;
  readonly overruledWhy: string;
  /** The reading of this stage was asked back, and is right. */
  readonly certain: boolean;
  /** The reading at which the valve was to be shut, as it was told when the transfer was started. */
  readonly target: ScaleTarget | null;
  readonly acceptMixing: boolean;
  readonly when: When;
  readonly note: string;
  /** The instant that was first sent: a repeated sending is the same booking. */
  readonly happenedAt: string;
  readonly booked: Booked | null;
  /** What the server asked back about, and is right all the same. */
  readonly answered: readonly Question[];
}

const stages: readonly string[] = ['cylinder', 'transfer', 'account'] satisfies FillDraft['stage'][];

/** What was stored may have lost its parts. */
type DeepPartialBooked = { readonly movement?: { readonly massKg?: unknown } } | null;

/** Whether a draft from the device can be gone on with: its stage is one, and the last one shows what was booked. */
export const isSound = ({ stage, booked, target }: FillDraft): boolean =>
  stages.includes(stage) &&
  (stage !== 'account' || typeof (booked as DeepPartialBooked)?.movement?.massKg === 'number') &&
  (target === null || typeof target.grossKg === 'number');

export const newFillDraft = ({ mass, temperature }: Preferences): FillDraft => ({
  key: newKey(),
  stage: 'cylinder',
  before: emptyEntry(mass),
  after: emptyEntry(mass),
  source: '',
  visit: '',
  refrigerant: null,
  place: '',
  ownHottest: emptyEntry(temperature),
  scaleOff: emptyEntry(mass === 'kg' ? 'kg' : 'lb'),
  hose: 'three-eighths',
  oilPercent: String(100 * USUAL_HANDLING.oilShare),
  port: '',
  overrules: false,
  overruledWhy: '',
  certain: false,
  target: null,
  acceptMixing: false,
  when: '',
  note: '',
  happenedAt: '',
  booked: null,
  answered: [],
});
