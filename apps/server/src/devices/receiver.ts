import type { ReceivedReadings, SenmlPack } from '@hygromet/contract/instrument';
import { received } from '@hygromet/core/instruments/received';
import type { Environment } from '../domain/environment';
import type { Db } from '../store/database';
import { heard, type Sender } from '../store/instrument-store';
import { Collector } from './collector';
import { Senders } from './senders';

/** Written at most so often that an instrument was heard, ms. */
const HEARD_EVERY_MS = 10_000;
/** Instruments that are remembered as just heard; then it begins anew. */
const MOST_REMEMBERED_COUNT = 10_000;

/** What gateways send, by whichever way: readings are stored, what instruments say of themselves is kept, what cannot be read is named. */
export class Receiver {
  private readonly collector: Collector;
  private readonly senders: Senders;
  private readonly lastHeard = new Map<string, number>();

  constructor(
    private readonly db: Db,
    private readonly environment: Environment,
  ) {
    this.collector = new Collector(db);
    this.senders = new Senders(db);
  }

  /** @throws DomainError where nobody may send with this token */
  sender(authorization: string | undefined): Promise<Sender> {
    return this.senders.of(authorization);
  }

  /** Who may send has changed. */
  sendersChanged(): void {
    this.senders.forget();
  }

  async receive(sender: Sender, pack: SenmlPack): Promise<ReceivedReadings> {
    const now = this.environment.now();
    const { readings, facts, problems } = received(pack, now.getTime() / 1000); // a schema of loose objects knows no fields
    const told = facts.map(({ instrument }) => instrument);
    const due = this.due(
      sender,
      readings.map(({ instrument }) => instrument),
      now,
    );
    const [stored] = await Promise.all([
      this.collector.add(readings.map((reading) => ({ ...reading, organisationId: sender.organisationId }))),
      heard(this.db, sender, [...told, ...due], facts, now),
    ]);
    return { stored, repeated: readings.length - stored, problems: [...problems] };
  }

  /** Those that were not written as heard for a while. */
  private due({ organisationId }: Sender, instruments: readonly string[], now: Date): readonly string[] {
    if (this.lastHeard.size > MOST_REMEMBERED_COUNT) this.lastHeard.clear();
    return [...new Set(instruments)].filter((text) => {
      const key = `${organisationId} ${text}`;
      const due = now.getTime() - (this.lastHeard.get(key) ?? 0) >= HEARD_EVERY_MS;
      if (due) this.lastHeard.set(key, now.getTime());
      return due;
    });
  }
}
