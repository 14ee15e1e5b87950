import type { Account } from '@hygromet/contract/account';
import type { Movement } from '@hygromet/contract/movement';
import type { System } from '@hygromet/contract/system';
import { askedTogether } from '../asked-together';
import { accountsById } from './account-store';
import { cylindersById, type CylinderRecord } from './cylinder-store';
import type { Executor, Tx } from './database';
import { addMovements, movementsById, twinsOf, type NewEntry, type Twin, type TwinQuestion } from './movement-store';
import { sentUnder, type Sent, type SentOnce } from './sent-once-store';
import { systemsById } from './system-store';

/** The most that is asked for in one statement. */
const MOST_COUNT = 100;

/**
 * What several who book at the same time ask of the database: each asks for its own, and what is asked for meanwhile goes into one statement.
 * Nothing is remembered: who asks again reads again.
 */
export class AtOnce {
  private readonly cylinders = askedTogether((ids: readonly string[]) => cylindersById(this.db, this.organisationId, ids), MOST_COUNT);
  private readonly accounts = askedTogether((ids: readonly string[]) => accountsById(this.db, this.organisationId, ids), MOST_COUNT);
  private readonly systems = askedTogether((ids: readonly string[]) => systemsById(this.db, this.organisationId, ids), MOST_COUNT);
  private readonly movements = askedTogether((ids: readonly string[]) => movementsById(this.db, this.organisationId, ids), MOST_COUNT);
  private readonly sendings = askedTogether((keys: readonly string[]) => sentUnder(this.db, this.organisationId, keys), MOST_COUNT);
  private readonly twins = askedTogether((questions: readonly TwinQuestion[]) => twinsOf(this.db, questions), MOST_COUNT);

  constructor(
    readonly db: Executor,
    protected readonly organisationId: string,
  ) {}

  cylinder = (id: string): Promise<CylinderRecord | undefined> => this.cylinders.load(id);
  account = (id: string): Promise<Account | undefined> => this.accounts.load(id);
  system = (id: string): Promise<System | undefined> => this.systems.load(id);
  movement = (id: string): Promise<Movement | undefined> => this.movements.load(id);
  /** What was sent with this key; undefined where it is new. */
  sent = (key: string): Promise<Sent | undefined> => this.sendings.load(key);
  twin = (question: TwinQuestion): Promise<Twin | undefined> => this.twins.load(question);
}

/** The same where they write: in the transaction that all of them share. */
export class WritingAtOnce extends AtOnce {
  private readonly entries = askedTogether(
    (entries: readonly NewEntry[]) => addMovements(this.tx, this.organisationId, entries),
    MOST_COUNT,
  );

  constructor(
    private readonly tx: Tx,
    organisationId: string,
  ) {
    super(tx, organisationId);
  }

  add = (entry: NewEntry): Promise<SentOnce> => this.entries.load(entry);
}
