import type { Booked } from '@hygromet/contract/movement';
import { CoreError } from '@hygromet/core/errors';
import { oneLotAfterTheOther } from '../one-lot-after-the-other';
import { AtOnce, WritingAtOnce } from '../store/at-once';
import { lockCylinders, lockFreeCylinders } from '../store/cylinder-store';
import type { Executor, Tx } from '../store/database';
import { inTransaction } from '../store/in-transaction';
import { ownOrganisation, type OrganisationRow } from '../store/organisation-store';
import { bookedAnswer, type Entered } from './booked-answer';
import { DomainError } from './domain-error';
import type { Environment } from './environment';

/** Does what only one may do at a time in the transaction that all share. */
export type InTurn = <T>(work: (tx: Tx) => Promise<T>) => Promise<T>;

/** One of those who book at the same time. */
export interface ToBook {
  /** Into which cylinder, and out of which account. */
  readonly into: string;
  readonly from: string;
  /** What takes the model its time, before anything is locked. */
  judgeAhead(desk: Desk): Promise<void>;
  /** What is refused is thrown. */
  enter(desk: WritingDesk, inTurn: InTurn): Promise<Entered>;
}

/** Where a booking is written: whose it is by its rules of now, and what is asked of the database. */
export interface Desk {
  readonly organisation: OrganisationRow;
  readonly store: AtOnce;
}

export interface WritingDesk extends Desk {
  readonly store: WritingAtOnce;
}

interface Waiting extends ToBook {
  readonly entered: (entered: Entered, outside: Desk) => void;
  readonly failed: (error: unknown) => void;
}

const MOST_AT_ONCE_COUNT = 50;
const LONGEST_GATHERING_MS = 5;

/**
 * Where bookings wait for each other: those that have come while others were being written are judged meanwhile and written next, all in one
 * transaction, each read asked once for all of them, one commit for all. Whoever books alone is written alone. What is refused of one leaves the others as they are;
 * where the database refuses a statement, each is written by itself, so that only the one that it refuses fails.
 */
export class BookingLine {
  private waiting: readonly Waiting[] = [];
  private busy = false;
  /** The rules as the last lot has read them: who is judged ahead by others is judged once more where he is written. */
  private lately: OrganisationRow | undefined;
  /** Told of each who joins the line. */
  private come: () => void = () => undefined;

  /** While some are being written, those who have come are judged for the next lot. */
  private readonly judged = oneLotAfterTheOther<Waiting>(async (those) => {
    await this.judgeAhead(those);
    this.queue(those);
  });

  constructor(
    private readonly db: Executor,
    readonly environment: Environment,
  ) {}

  /** @throws DomainError */
  book(toBook: ToBook): Promise<Booked> {
    return new Promise<Booked>((resolve, reject) => {
      const entered = (entry: Entered, { store, organisation }: Desk) =>
        void bookedAnswer(store, organisation, this.environment, entry).then(resolve, reject);
      this.judged({ ...toBook, entered, failed: reject });
    });
  }

  private queue(those: readonly Waiting[]): void {
    this.waiting = [...this.waiting, ...those];
    this.come();
    void this.run();
  }

  private async run(): Promise<void> {
    if (this.busy) return;
    this.busy = true;
    try {
      while (this.waiting.length > 0) {
        const those = this.next();
        await this.writeTogether(those);
        if (those.length > 1) await this.asManyAs(those.length);
      }
    } finally {
      this.busy = false;
    }
  }

  /**
   * Until as many wait as were written last, or a moment has passed: those who have their answers book again at once or not for long, and
   * the first of them would otherwise be written alone while all others wait.
   */
  private async asManyAs(count: number): Promise<void> {
    if (this.waiting.length >= count) return;
    await new Promise<void>((resolve) => {
      const timer = setTimeout(resolve, LONGEST_GATHERING_MS);
      this.come = () => {
        if (this.waiting.length < count) return;
        clearTimeout(timer);
        resolve();
      };
    });
    this.come = () => undefined;
  }

  /** What goes wrong here goes wrong again where it is written, and is told there. */
  private async judgeAhead(those: readonly Waiting[]): Promise<void> {
    try {
      const outside = this.lately === undefined ? await this.outside() : this.deskOf(this.lately);
      await Promise.allSettled(those.map((one) => one.judgeAhead(outside)));
    } catch {
      return;
    }
  }

  /** Outside of any transaction, by the rules of now. */
  private async outside(): Promise<Desk> {
    return this.deskOf(await ownOrganisation(this.db));
  }

  private deskOf = (organisation: OrganisationRow): Desk => ({ organisation, store: new AtOnce(this.db, organisation.id) });

  /** The first of the line, and of those behind it whoever books into nothing that one before books into or out of. */
  private next(): readonly Waiting[] {
    const [into, from] = [new Set<string>(), new Set<string>()];
    const taken: Waiting[] = [];
    for (const one of this.waiting) {
      const free = !into.has(one.into) && !from.has(one.into) && !into.has(one.from);
      if (free && taken.length < MOST_AT_ONCE_COUNT) taken.push(one);
      into.add(one.into);
      from.add(one.from);
    }
    this.waiting = this.waiting.filter((one) => !taken.includes(one));
    return taken;
  }

  /** One lot. Who wants a cylinder that somebody else holds waits for it outside: nobody behind him has to. */
  private async writeTogether(those: readonly Waiting[]): Promise<void> {
    try {
      const { ended, held } = await this.written(those, lockFreeCylinders);
      for (const one of held) void this.writeAlone(one);
      for (const end of ended) end();
    } catch {
      await Promise.all(those.map((one) => this.writeAlone(one)));
    }
  }

  private async writeAlone(one: Waiting): Promise<void> {
    try {
      const { ended } = await this.written([one], waitForCylinders);
      for (const end of ended) end();
    } catch (error) {
      one.failed(error);
    }
  }

  /**
   * Writes them in one transaction: what each is to be told after it, and who was left out because others hold what he wants.
   * @throws what the database says where it refuses a statement: then nothing of it is written
   */
  private async written(those: readonly Waiting[], lock: Lock) {
    return inTransaction(this.db, async (tx) => {
      const cylinders = [...new Set(those.flatMap(({ into, from }) => [into, from]))];
      const [others, outside] = await Promise.all([lock(tx, cylinders), this.outside()]);
      const { organisation } = outside;
      this.lately = organisation;
      const isHeld = ({ into, from }: Waiting) => others.includes(into) || others.includes(from);
      const desk = { organisation, store: new WritingAtOnce(tx, organisation.id) };
      const inTurn = turnsOf(tx);
      const free = those.filter((one) => !isHeld(one));
      const settled = await Promise.allSettled(free.map((one) => one.enter(desk, inTurn)));
      const ended = settled.map((end, k) => {
        const one = free[k]!; // one for each
        if (end.status === 'fulfilled') return () => one.entered(end.value, outside);
        if (!isRefusal(end.reason)) throw end.reason;
        return () => one.failed(end.reason);
      });
      return { ended, held: those.filter(isHeld) };
    });
  }
}

/** Holds cylinders until the transaction ends; those that others hold, where they are not waited for. */
type Lock = (tx: Tx, ids: readonly string[]) => Promise<readonly string[]>;

const waitForCylinders: Lock = async (tx, ids) => {
  await lockCylinders(tx, ids);
  return [];
};

/** A transaction goes on after what the rules refuse; after what the database refuses it does not. */
const isRefusal = (error: unknown): boolean => error instanceof DomainError || error instanceof CoreError;

function turnsOf(tx: Tx): InTurn {
  let last: Promise<unknown> = Promise.resolve();
  return (work) => {
    const turn = last.then(() => work(tx));
    last = turn.catch(() => undefined);
    return turn;
  };
}
