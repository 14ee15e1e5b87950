import { Hono } from 'hono';
import { createEvents, type EventAttributes } from 'ics';
import { describeCylinders } from '../domain/describe-cylinder';
import { dueDates, type DueDate } from '../domain/due-dates';
import { holdsToRead, type HoldToRead } from '../domain/holds-to-read';
import { visitsOf } from '../store/visit-store';
import { cylindersOf } from '../store/cylinder-store';
import { ownOrganisation } from '../store/organisation-store';
import type { Deps, Env } from './env';

/** A calendar that other programs subscribe to (RFC 5545): what falls due about cylinders, and holds that are to be read. */
export const calendarRoutes = ({ db, environment }: Deps) =>
  new Hono<Env>().get('/api/calendar.ics', async (c) => {
    const organisation = await ownOrganisation(db);
    const cylinders = await describeCylinders(await cylindersOf(db, organisation.id), organisation, environment);
    const holds = holdsToRead(await visitsOf(db, organisation.id));
    const { error, value } = createEvents([...dueDates(cylinders).map(eventOf), ...holds.map(readingOf)], {
      productId: 'hygromet',
      calName: `${organisation.name}: what falls due`,
    });
    if (value == null) throw error ?? new Error('the calendar could not be written');
    return c.body(value, 200, { 'content-type': 'text/calendar; charset=utf-8' });
  });

const eventOf = ({ uid, day, title, what }: DueDate): EventAttributes => ({
  uid: `${uid}@hygromet`,
  start: dateOf(day),
  end: dateOf(new Date(Date.parse(day) + 86_400_000).toISOString().slice(0, 10)),
  title,
  description: what,
  busyStatus: 'FREE',
});

const readingOf = ({ uid, until, title, what }: HoldToRead): EventAttributes => ({
  uid: `${uid}@hygromet`,
  start: until.getTime(),
  startInputType: 'utc',
  startOutputType: 'utc',
  duration: { minutes: 30 },
  title,
  description: what,
  busyStatus: 'BUSY',
});

const dateOf = (day: string) => day.split('-').map(Number) as [number, number, number];
