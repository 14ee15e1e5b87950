import type { Db, Executor } from '../store/database';
import {
  accountNames,
  atOneMoment,
  bookedBalances,
  bookedParts,
  countsOf,
  reversedEntries,
  sealedEntries,
  unrecordedStates,
  unsealedEntries,
  type ProvedEntry,
} from '../store/proof-store';
import { EntrySums } from './entry-sums';
import { linked, sealedText } from './sealed-text';

/** How far the chain reaches, and its last link: whoever keeps it elsewhere can show later that nothing before it was changed. */
export interface Seal {
  readonly entries: bigint;
  readonly hash: string;
}

export interface Proof {
  readonly entries: bigint;
  /** Booked a moment ago, and not sealed yet. */
  readonly waiting: number;
  readonly seal: Seal;
  /** One sentence for each thing that is not as it has to be. */
  readonly faults: readonly string[];
}

const AT_A_TIME_COUNT = 5000;
const NOTHING = Buffer.alloc(0);

/**
 * Proves the whole ledger with nothing of what keeps it: exact sums of every account and substance, every entry in itself, the chain of seals,
 * and that no register was changed beside its history. Reads alone; as it stood at one moment.
 * @param kept a seal that was written down earlier
 */
export const proveLedger = (db: Db, kept?: Seal): Promise<Proof> =>
  atOneMoment(db, async (tx) => {
    const names = await accountNames(tx);
    const sums = new EntrySums((id) => names.get(id) ?? id, await reversedEntries(tx));
    const faults: string[] = [];
    const seal = await chain(tx, kept, (entry) => sums.add(entry), faults);
    const unsealed = await unsealedEntries(tx);
    for (const entry of unsealed) {
      sums.add(entry);
      if (!entry.waits) faults.push(`Entry ${entry.id} is in no seal and waits for none: it was put in behind the rules.`);
    }
    const { entries, seals } = await countsOf(tx);
    if (seals !== seal.entries) faults.push(`${seals} seals are there, but only ${seal.entries} belong to an entry.`);
    faults.push(...sums.faults, ...sums.differences(await bookedBalances(tx), await bookedParts(tx)));
    for (const what of await unrecordedStates(tx)) faults.push(`The ${what} was changed beside its history.`);
    return { entries, waiting: unsealed.filter(({ waits }) => waits).length, seal, faults };
  });

async function chain(tx: Executor, kept: Seal | undefined, each: (entry: ProvedEntry) => void, faults: string[]): Promise<Seal> {
  let [position, before, broken] = [0n, NOTHING as Buffer, false];
  for (
    let page = await sealedEntries(tx, 0n, AT_A_TIME_COUNT);
    page.length > 0;
    page = await sealedEntries(tx, position, AT_A_TIME_COUNT)
  ) {
    for (const entry of page) {
      each(entry);
      const at = BigInt(entry.position ?? -1);
      if (at !== position + 1n) faults.push(`Between the seals ${position} and ${at} entries are missing.`);
      const hash = linked(before, sealedText(entry.fields));
      if (!broken && !hash.equals(entry.hash ?? NOTHING)) {
        faults.push(`Entry ${entry.id} (seal ${at}) is not what was sealed: it, or one before it, was changed afterwards.`);
        broken = true;
      }
      [position, before] = [at, hash];
      if (kept?.entries === position && kept.hash !== hash.toString('hex'))
        faults.push(`The seal of ${kept.entries} entries that was kept does not fit: one of them was changed since.`);
    }
  }
  if (kept !== undefined && kept.entries > position)
    faults.push(`The seal that was kept covers ${kept.entries} entries, this ledger has ${position}: some are gone.`);
  return { entries: position, hash: before.toString('hex') };
}
