import { endpoints } from '@hygromet/contract/endpoints';
import { Hono } from 'hono';
import { bookDifference } from '../domain/book-difference';
import { bookRemoval } from '../domain/book-removal';
import { bookTransfer } from '../domain/book-transfer';
import { BookingLine } from '../domain/booking-line';
import { DomainError } from '../domain/domain-error';
import { reverseMovement } from '../domain/reverse-movement';
import { accountsOf } from '../store/account-store';
import { movementById, movementsOf } from '../store/movement-store';
import { ownOrganisation } from '../store/organisation-store';
import type { Deps, Env } from './env';
import { body, params, query } from './valid';

const {
  accounts,
  movements,
  movement,
  bookTransfer: transfer,
  bookDifference: difference,
  bookRemoval: removal,
  reverseMovement: reversal,
} = endpoints;

export function movementRoutes({ db, environment }: Deps) {
  const line = new BookingLine(db, environment);
  return new Hono<Env>()
    .get(accounts.path, async (c) => c.json(await accountsOf(db, (await ownOrganisation(db)).id)))
    .get(movements.path, query(movements.query), async (c) =>
      c.json(await movementsOf(db, (await ownOrganisation(db)).id, c.req.valid('query'))),
    )
    .get(movement.path, params(movement.params), async (c) => {
      const entry = await movementById(db, (await ownOrganisation(db)).id, c.req.valid('param').id);
      if (entry === undefined) throw new DomainError('not-found', 'This entry is not in the ledger.');
      return c.json(entry);
    })
    .post(transfer.path, body(transfer.body), async (c) => {
      const booked = await bookTransfer(line, c.req.valid('json'));
      return c.json(booked, booked.repeated ? 200 : transfer.status);
    })
    .post(removal.path, body(removal.body), async (c) => {
      const booked = await bookRemoval(db, await ownOrganisation(db), c.req.valid('json'), environment);
      return c.json(booked, booked.repeated ? 200 : removal.status);
    })
    .post(difference.path, body(difference.body), async (c) => {
      const booked = await bookDifference(db, await ownOrganisation(db), c.req.valid('json'), environment);
      return c.json(booked, booked.repeated ? 200 : difference.status);
    })
    .post(reversal.path, params(reversal.params), body(reversal.body), async (c) => {
      const booked = await reverseMovement(db, await ownOrganisation(db), c.req.valid('param').id, c.req.valid('json'), environment);
      return c.json(booked, booked.repeated ? 200 : reversal.status);
    });
}
