import { endpoints } from '@hygromet/contract/endpoints';
import { id } from '@hygromet/contract/primitives';
import { Hono } from 'hono';
import * as z from 'zod';
import { addPhotograph, photograph } from '../domain/photographs';
import { ownOrganisation } from '../store/organisation-store';
import type { Deps, Env } from './env';
import { body, params } from './valid';

/** "a3f1….jpg": programs that save it know what it is. */
const named = z.strictObject({ name: z.string().regex(/^[^.]+\.jpg$/, { error: 'A photograph is asked for as its id and ".jpg".' }) });
const bareId = z.strictObject({ id });

/** What never changes is asked for once. */
const FOR_EVER = 'private, max-age=31536000, immutable';

export const photographRoutes = ({ db, environment }: Deps) =>
  new Hono<Env>()
    .post(endpoints.addPhotograph.path, body(endpoints.addPhotograph.body), async (c) =>
      c.json(await addPhotograph(db, (await ownOrganisation(db)).id, c.req.valid('json'), environment), endpoints.addPhotograph.status),
    )
    .get('/api/photographs/:name', params(named), async (c) => {
      const asked = bareId.safeParse({ id: c.req.valid('param').name.replace(/\.jpg$/, '') });
      if (!asked.success) return c.notFound();
      const jpeg = await photograph(db, (await ownOrganisation(db)).id, asked.data.id);
      return c.body(new Uint8Array(jpeg), 200, { 'content-type': 'image/jpeg', 'cache-control': FOR_EVER });
    });
