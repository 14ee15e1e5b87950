import * as z from 'zod';
import { account } from './account';
import { cylinder, cylindersQuery, newCylinder } from './cylinder';
import { cylinderEvent, cylinderMoves, movedCylinders, newCylinderEvent } from './cylinder-event';
import { fillLimitsAnswer, fillLimitsRequest } from './fill-limits';
import { booked, movement, movementsQuery, newDifference, newRemoval, newReversal, newTransfer, newWeighing } from './movement';
import { currentOrganisation, organisationChange, savedOrganisation } from './organisation';
import { addedGateway, gateway, instrument, newGateway, receivedReadings, senmlPack } from './instrument';
import { cylindersImport, importAnswer, systemsImport } from './import';
import { id } from './primitives';
import { computeAnswer, computeRequest } from './compute';
import { addedPhotograph, newPhotograph } from './photograph';
import { newPrice, price } from './price';
import { propertyAnswer, propertyRequest } from './properties';
import { readsAnswer, readsQuery } from './reads';
import { refrigerantSummary } from './refrigerant';
import { newReceipt, newShipment, shipment } from './shipment';
import { factsChange, newSystem, savedFacts, system } from './system';
import { newVisit, visit, visitWithEvents } from './visit';
import { newVisitEvent } from './visit-event';

export interface Endpoint {
  readonly method: 'get' | 'post' | 'put';
  /** Hono's notation, `:id` for a parameter. */
  readonly path: string;
  readonly summary: string;
  readonly params?: z.ZodObject;
  readonly query?: z.ZodObject;
  readonly body?: z.ZodType;
  readonly answer: z.ZodType;
  /** 201 where something is made. */
  readonly status: 200 | 201;
}

const byId = z.strictObject({ id });

/** Every way into the server. Routes, OpenAPI and the web client are all made from this table. */
export const endpoints = {
  fillLimits: { method: 'post', path: '/api/fill-limits', summary: 'Every fill limit of a cylinder, side by side, and the one that rules', body: fillLimitsRequest, answer: fillLimitsAnswer, status: 200 },
  compute: { method: 'post', path: '/api/compute', summary: 'Transfer, proof, account, restoring, charge: what stands on the property core', body: computeRequest, answer: computeAnswer, status: 200 },
  properties: { method: 'post', path: '/api/properties', summary: 'Saturation, closed volume, liquid-full temperature or leak by the property core', body: propertyRequest, answer: propertyAnswer, status: 200 },
  reads: { method: 'get', path: '/api/reads', summary: 'Several reads at once: what each “of” would have answered alone', query: readsQuery, answer: readsAnswer, status: 200 },
  refrigerants: { method: 'get', path: '/api/refrigerants', summary: 'All refrigerants the core knows', answer: z.array(refrigerantSummary), status: 200 },
  organisation: { method: 'get', path: '/api/organisation', summary: 'The rules and the altitude of the organisation', answer: currentOrganisation, status: 200 },
  saveOrganisation: { method: 'put', path: '/api/organisation', summary: 'Change the rules or the altitude; refused where somebody else has changed them meanwhile', body: savedOrganisation, answer: currentOrganisation, status: 200 },
  organisationHistory: { method: 'get', path: '/api/organisation/history', summary: 'Every state of the rules, the latest first', answer: z.array(organisationChange), status: 200 },
  cylinders: { method: 'get', path: '/api/cylinders', summary: 'All cylinders with content, limits and flags, by their names; a page of them where asked', query: cylindersQuery, answer: z.array(cylinder), status: 200 },
  cylinder: { method: 'get', path: '/api/cylinders/:id', summary: 'One cylinder', params: byId, answer: cylinder, status: 200 },
  addCylinder: { method: 'post', path: '/api/cylinders', summary: 'Register a cylinder; what the scale shows in it is booked', body: newCylinder, answer: cylinder, status: 201 },
  weighCylinder: { method: 'post', path: '/api/cylinders/:id/weighings', summary: 'Book the difference between scale and ledger as unexplained', params: byId, body: newWeighing, answer: booked, status: 201 },
  cylinderEvents: { method: 'get', path: '/api/cylinders/:id/events', summary: 'What happened to a cylinder beside what went in and out, the latest first', params: byId, answer: z.array(cylinderEvent), status: 200 },
  addCylinderEvent: { method: 'post', path: '/api/cylinders/:id/events', summary: 'Record an evacuation, a check, a move, a new label or stamp, or its end', params: byId, body: newCylinderEvent, answer: cylinder, status: 201 },
  moveCylinders: { method: 'post', path: '/api/cylinders/moves', summary: 'Put several cylinders in one place', body: cylinderMoves, answer: movedCylinders, status: 200 },
  systems: { method: 'get', path: '/api/systems', summary: 'All systems with what the ledger says is in them', answer: z.array(system), status: 200 },
  addSystem: { method: 'post', path: '/api/systems', summary: 'Register a system; its nameplate charge is booked', body: newSystem, answer: system, status: 201 },
  system: { method: 'get', path: '/api/systems/:id', summary: 'One system with the facts of its circuit', params: byId, answer: system, status: 200 },
  saveSystemFacts: { method: 'put', path: '/api/systems/:id/facts', summary: 'Change the facts of a circuit; refused where somebody else has changed them meanwhile', params: byId, body: savedFacts, answer: system, status: 200 },
  systemHistory: { method: 'get', path: '/api/systems/:id/history', summary: 'Every state of the facts of a system, the latest first', params: byId, answer: z.array(factsChange), status: 200 },
  importSystems: { method: 'post', path: '/api/systems/import', summary: 'Register or change systems from rows, all or none; tries without keeping where asked', body: systemsImport, answer: importAnswer, status: 200 },
  importCylinders: { method: 'post', path: '/api/cylinders/import', summary: 'Register cylinders from rows, all or none; tries without keeping where asked', body: cylindersImport, answer: importAnswer, status: 200 },
  visits: { method: 'get', path: '/api/visits', summary: 'All visits, the latest day first', answer: z.array(visit), status: 200 },
  addVisit: { method: 'post', path: '/api/visits', summary: 'Open a visit to a system', body: newVisit, answer: visit, status: 201 },
  visit: { method: 'get', path: '/api/visits/:id', summary: 'A visit, with everything that was added to it', params: byId, answer: visitWithEvents, status: 200 },
  addVisitEvent: { method: 'post', path: '/api/visits/:id/events', summary: 'Add to a visit what was seen, read, decided or done; what decides for others is refused where there is something newer', params: byId, body: newVisitEvent, answer: visit, status: 201 },
  addPhotograph: { method: 'post', path: '/api/photographs', summary: 'Keep a photograph (JPEG, base64); it is read at /api/photographs/{id}.jpg and shown where an event of a visit names it', body: newPhotograph, answer: addedPhotograph, status: 201 },
  instruments: { method: 'get', path: '/api/instruments', summary: 'Instruments that were heard in the last day, with what they last said', answer: z.array(instrument), status: 200 },
  sendReadings: { method: 'post', path: '/api/instruments/readings', summary: 'Readings of instruments as SenML (RFC 8428), with the token of a gateway; what is sent twice is stored once', body: senmlPack, answer: receivedReadings, status: 200 },
  gateways: { method: 'get', path: '/api/gateways', summary: 'What may send readings', answer: z.array(gateway), status: 200 },
  addGateway: { method: 'post', path: '/api/gateways', summary: 'Let a gateway send readings; its token is told this once', body: newGateway, answer: addedGateway, status: 201 },
  revokeGateway: { method: 'post', path: '/api/gateways/:id/revocation', summary: 'Let a gateway send no more', params: byId, answer: gateway, status: 200 },
  shipments: { method: 'get', path: '/api/shipments', summary: 'What was sent to the reclaimer, the latest first, each with its receipt once there is one', answer: z.array(shipment), status: 200 },
  shipment: { method: 'get', path: '/api/shipments/:id', summary: 'One shipment', params: byId, answer: shipment, status: 200 },
  sendShipment: { method: 'post', path: '/api/shipments', summary: 'Cylinders leave for the reclaimer, with what is in them by the ledger', body: newShipment, answer: shipment, status: 201 },
  receiveShipment: { method: 'post', path: '/api/shipments/:id/receipt', summary: 'What the reclaimer weighed, found and credited; books it, and what each cylinder comes back as', params: byId, body: newReceipt, answer: shipment, status: 201 },
  prices: { method: 'get', path: '/api/prices', summary: 'Every price that was typed, the oldest first', answer: z.array(price), status: 200 },
  addPrice: { method: 'post', path: '/api/prices', summary: 'A price of a refrigerant from a day on', body: newPrice, answer: price, status: 201 },
  accounts: { method: 'get', path: '/api/accounts', summary: 'All accounts with their balances', answer: z.array(account), status: 200 },
  movements: { method: 'get', path: '/api/movements', summary: 'Entries of the ledger, newest first, of one account where asked', query: movementsQuery, answer: z.array(movement), status: 200 },
  movement: { method: 'get', path: '/api/movements/:id', summary: 'One entry of the ledger', params: byId, answer: movement, status: 200 },
  bookTransfer: { method: 'post', path: '/api/transfers', summary: 'Book a transfer into a cylinder by gross before and after', body: newTransfer, answer: booked, status: 201 },
  bookDifference: { method: 'post', path: '/api/differences', summary: 'Book what a system has lost or holds too much, by an account: to the air, or as not accounted for', body: newDifference, answer: booked, status: 201 },
  bookRemoval: { method: 'post', path: '/api/removals', summary: 'Book what leaves a cylinder by gross before and after', body: newRemoval, answer: booked, status: 201 },
  reverseMovement: { method: 'post', path: '/api/movements/:id/reversal', summary: 'Reverse a wrong entry; the entry itself stays', params: byId, body: newReversal, answer: booked, status: 201 },
} as const satisfies Record<string, Endpoint>; // prettier-ignore

export type EndpointName = keyof typeof endpoints;
