import { endpoints } from '@hygromet/contract/endpoints';
import { Hono } from 'hono';
import { typePrice } from '../domain/prices';
import { receiveShipment } from '../domain/receive-shipment';
import { sendShipment, shipmentOnRecord } from '../domain/send-shipment';
import { ownOrganisation } from '../store/organisation-store';
import { pricesOf } from '../store/price-store';
import { shipmentsOf } from '../store/shipment-store';
import type { Deps, Env } from './env';
import { body, params } from './valid';

const { shipments, shipment, sendShipment: send, receiveShipment: receive, prices, addPrice } = endpoints;

export const shipmentRoutes = ({ db, environment }: Deps) =>
  new Hono<Env>()
    .get(shipments.path, async (c) => c.json(await shipmentsOf(db, (await ownOrganisation(db)).id)))
    .get(shipment.path, params(shipment.params), async (c) =>
      c.json(await shipmentOnRecord(db, (await ownOrganisation(db)).id, c.req.valid('param').id)),
    )
    .post(send.path, body(send.body), async (c) =>
      c.json(await sendShipment(db, await ownOrganisation(db), c.req.valid('json'), environment), send.status),
    )
    .post(receive.path, params(receive.params), body(receive.body), async (c) =>
      c.json(
        await receiveShipment(db, await ownOrganisation(db), c.req.valid('param').id, c.req.valid('json'), environment),
        receive.status,
      ),
    )
    .get(prices.path, async (c) => c.json(await pricesOf(db, (await ownOrganisation(db)).id)))
    .post(addPrice.path, body(addPrice.body), async (c) =>
      c.json(await typePrice(db, (await ownOrganisation(db)).id, c.req.valid('json'), environment), addPrice.status),
    );
