import type { Question } from '@hygromet/contract/asked-back';
import { mass, moment, say } from '@hygromet/contract/sentence';
import { sameWeight } from '@hygromet/core/cylinder/same-weight';
import { SAME_WEIGHT_KG } from '@hygromet/core/cylinder/scale-tolerance';
import type { CylinderRecord } from '../store/cylinder-store';
import type { AtOnce } from '../store/at-once';
import { contentAt } from '../store/movement-store';
import { DomainError } from './domain-error';
import { CLOCKS_DIFFER_MS } from './in-time';

/** A booking by the scale, as far as it is asked back. */
export interface Asked {
  readonly from: string;
  readonly to: string;
  readonly grossBeforeKg: number;
  readonly grossAfterKg: number;
  readonly happenedAt: string;
  readonly sentAt?: string | undefined;
  readonly certain?: readonly Question[] | undefined;
}

/** Two people who write the same transfer down do it on the same day. */
const SAME_DAY_MS = 14 * 3_600_000;

/**
 * Asks back what can hardly be: a device whose clock is off, a transfer that is in the ledger already, a weight before that is not the
 * ledger's. Each question is answered by sending it again with the question among those that are `certain`. Ask it with the cylinder locked.
 * @throws DomainError
 */
export async function askBack(store: AtOnce, cylinder: CylinderRecord, asked: Asked, now: Date): Promise<void> {
  const open = (question: Question) => !(asked.certain ?? []).includes(question);
  if (open('clock-off')) askAboutClock(asked, now);
  if (open('perhaps-twice')) await askAboutTwin(store, cylinder, asked);
  if (open('ledger-differs')) await askAboutLedger(store, cylinder, asked);
}

function askAboutClock({ sentAt }: Asked, now: Date): void {
  if (sentAt === undefined) return;
  const differs = Date.parse(sentAt) - now.getTime();
  if (Math.abs(differs) <= CLOCKS_DIFFER_MS) return;
  const minutes = Math.round(Math.abs(differs) / 60_000);
  const off = minutes < 120 ? `${minutes} min` : minutes < 48 * 60 ? `${Math.round(minutes / 60)} h` : `${Math.round(minutes / 1440)} days`;
  throw new DomainError(
    'clock-off',
    `The clock of this device is ${off} ${differs > 0 ? 'ahead' : 'behind'}. Set it, or give the time at which it happened.`,
    '/happenedAt',
  );
}

async function askAboutTwin(store: AtOnce, { name }: CylinderRecord, asked: Asked): Promise<void> {
  // a small transfer is not the one before it, only because both are small
  const withinKg = Math.min(SAME_WEIGHT_KG, Math.abs(asked.grossAfterKg - asked.grossBeforeKg) / 4);
  const twin = await store.twin({ ...asked, withinMs: SAME_DAY_MS, withinKg });
  if (twin === undefined) return;
  throw new DomainError(
    'perhaps-twice',
    say`${twin.recordedBy} has logged this already: ${name} from ${mass(asked.grossBeforeKg)} to ${mass(asked.grossAfterKg)} at ${moment(twin.happenedAt)}. If that is this transfer, nothing is left to do.`,
    '/grossAfterKg',
  );
}

async function askAboutLedger(store: AtOnce, cylinder: CylinderRecord, asked: Asked): Promise<void> {
  const { tareKg, tareWeighedKg, contentKg, lastMovedAt } = cylinder;
  // what is written down later than it happened fits the ledger of then, or that of now where the cylinder was registered only meanwhile
  const contents = [await contentAt(store.db, cylinder.id, asked.happenedAt, contentKg, lastMovedAt), contentKg];
  // a tare that was found heavier than its stamp explains as much
  const tares = [tareKg, Math.max(tareKg, tareWeighedKg ?? 0)];
  if (contents.some((content) => tares.some((tare) => sameWeight(asked.grossBeforeKg - tare - content)))) return;
  const ledgerKg = tareKg + (contents[0] ?? contentKg);
  throw new DomainError(
    'ledger-differs',
    say`The ledger expected ${cylinder.name} at ${mass(ledgerKg)} before this, not ${mass(asked.grossBeforeKg)}: an entry may have been logged meanwhile, or refrigerant was removed without one. Read the scale again.`,
    '/grossBeforeKg',
  );
}
