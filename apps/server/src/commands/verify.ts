import { proveLedger, type Seal } from '../proof/prove-ledger';
import type { Db } from '../store/database';

/** Prints the proof and its seal; the exit code is 1 where something is not as it has to be. @throws where the kept seal cannot be read */
export async function verify(db: Db, kept: string | undefined): Promise<void> {
  const { entries, waiting, seal, faults } = await proveLedger(db, kept === undefined ? undefined : readSeal(kept));
  await db.destroy();
  const lines = [
    ...faults,
    faults.length === 0
      ? `The ledger is proved: ${entries} entries, every balance is their sum, and none was changed${waiting === 0 ? '' : ` (${waiting} wait for their seal)`}.`
      : `The ledger is not as it has to be: ${faults.length} ${faults.length === 1 ? 'fault' : 'faults'}.`,
    ...(seal.entries === 0n ? [] : [`Seal: ${seal.entries}:${seal.hash}`]),
  ];
  process.stdout.write(`${lines.join('\n')}\n`);
  process.exitCode = faults.length === 0 ? 0 : 1;
}

function readSeal(text: string): Seal {
  const match = /^(\d{1,18}):([0-9a-f]{64})$/.exec(text);
  if (match?.[1] === undefined || match[2] === undefined)
    throw new Error(`"${text}" is no seal. It is what a proof printed after "Seal:", such as 120:9f86d0…`);
  return { entries: BigInt(match[1]), hash: match[2] };
}
