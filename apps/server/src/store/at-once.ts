import type { Account } from '@hygromet/contract/account';
import type { Movement } from '@hygromet/contract/movement';
import type { System } from '@hygromet/contract/system';
import { askedTogether } from '../asked-together';
import { accountsById } from './account-store';
import { cylindersById, type CylinderRecord } from './cylinder-store';
import type { Executor } from './database';
import {
  addMovements,
  entriesByKeys,
  movementsById,
  twinsOf,
  type Added,
  type EarlierEntry,
  type NewEntry,
  type Twin,
  type TwinQuestion,
} from './movement-store';
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
  private readonly earlierEntries = askedTogether(
    (keys: readonly string[]) => entriesByKeys(this.db, this.organisationId, keys),
    MOST_COUNT,
  );
  private readonly twins = askedTogether((questions: readonly TwinQuestion[]) => twinsOf(this.db, questions), MOST_COUNT);
  private readonly entries = askedTogether(
    (entries: readonly NewEntry[]) => addMovements(this.db, this.organisationId, entries),
    MOST_COUNT,
  );

  constructor(
    readonly db: Executor,
    private readonly organisationId: string,
  ) {}

  cylinder = (id: string): Promise<CylinderRecord | undefined> => this.cylinders.load(id);
  account = (id: string): Promise<Account | undefined> => this.accounts.load(id);
  system = (id: string): Promise<System | undefined> => this.systems.load(id);
  movement = (id: string): Promise<Movement | undefined> => this.movements.load(id);
  /** The entry that this key has made; undefined where the key is new. */
  earlier = (key: string): Promise<EarlierEntry | undefined> => this.earlierEntries.load(key);
  twin = (question: TwinQuestion): Promise<Twin | undefined> => this.twins.load(question);
  add = (entry: NewEntry): Promise<Added> => this.entries.load(entry);
}
