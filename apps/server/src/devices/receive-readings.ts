import type { ReceivedReadings, SenmlPack } from '@hygromet/contract/instrument';
import { resolve, type SenmlRecord } from '@hygromet/core/instruments/senml';
import type { Outside } from '../domain/outside';
import type { Tx } from '../store/database';
import { heard, type Sender } from '../store/instrument-store';
import type { Collector } from './collector';

/** What a gateway has sent: readings are stored, what instruments say of themselves is kept, and what could not be read is named. */
export async function receiveReadings(
  db: Tx,
  collector: Collector,
  sender: Sender,
  pack: SenmlPack,
  outside: Outside,
): Promise<ReceivedReadings> {
  const now = outside.now();
  const { readings, facts, problems } = resolve(pack as readonly SenmlRecord[], now.getTime() / 1000); // a schema of loose objects knows no fields
  const stored = await collector.add(readings.map((own) => ({ ...own, organisationId: sender.organisationId })));
  const told = facts.map(({ instrument }) => instrument);
  const known = collector.firstOf(sender, [...readings.map(({ instrument }) => instrument)], now);
  if (told.length > 0 || known.length > 0) await heard(db, sender, [...told, ...known], facts, now);
  return { stored, repeated: readings.length - stored, problems: [...problems] };
}
