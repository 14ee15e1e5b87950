import { inject, Injectable } from '@angular/core';
import type { NewCylinder } from '@hygromet/contract/cylinder';
import type { CylinderMoves, NewCylinderEvent } from '@hygromet/contract/cylinder-event';
import type { NewRemoval, NewReversal, NewTransfer, NewWeighing } from '@hygromet/contract/movement';
import type { NewDifference } from '@hygromet/contract/movement';
import type { SavedOrganisation } from '@hygromet/contract/organisation';
import type { NewPrice } from '@hygromet/contract/price';
import type { NewReceipt, NewShipment } from '@hygromet/contract/shipment';
import type { NewSystem, SavedFacts } from '@hygromet/contract/system';
import type { CylindersImport, SystemsImport } from '@hygromet/contract/import';
import type { NewVisit } from '@hygromet/contract/visit';
import type { NewVisitEvent } from '@hygromet/contract/visit-event';
import { shareReplay, startWith, Subject, switchMap, tap, type Observable } from 'rxjs';
import { Api } from './api';

/** Which entries of the ledger; an empty text is none. */
interface Which {
  readonly account?: string | undefined;
  readonly text?: string;
}

const asked = ({ account, text = '' }: Which): Record<string, string> => ({
  ...(account === undefined ? {} : { account }),
  ...(text === '' ? {} : { text }),
});

/** Streams of what the server keeps, read anew after each change that this device makes. */
@Injectable({ providedIn: 'root' })
export class Registers {
  private readonly api = inject(Api);
  private readonly changed$ = new Subject<void>();

  readonly organisation$ = this.fresh$(() => this.api.call$('organisation'));
  readonly cylinders$ = this.fresh$(() => this.api.call$('cylinders'));
  readonly systems$ = this.fresh$(() => this.api.call$('systems'));
  readonly accounts$ = this.fresh$(() => this.api.call$('accounts'));
  /** The list of refrigerants changes with the program alone. */
  readonly refrigerants$ = this.api.call$('refrigerants').pipe(shareReplay({ bufferSize: 1, refCount: false }));

  readonly cylinder$ = (id: string) => this.fresh$(() => this.api.call$('cylinder', { params: { id } }));
  readonly system$ = (id: string) => this.fresh$(() => this.api.call$('system', { params: { id } }));
  readonly saveSystemFacts$ = (id: string, body: SavedFacts) => this.changes$(this.api.call$('saveSystemFacts', { params: { id }, body }));
  readonly systemHistory$ = (id: string) => this.fresh$(() => this.api.call$('systemHistory', { params: { id } }));
  readonly importSystems$ = (body: SystemsImport) => this.changes$(this.api.call$('importSystems', { body }));
  readonly visits$ = this.fresh$(() => this.api.call$('visits'));
  readonly addVisit$ = (body: NewVisit) => this.changes$(this.api.call$('addVisit', { body }));
  readonly visit$ = (id: string) => this.fresh$(() => this.readVisit$(id));
  /** A visit as it is now, read once. */
  readonly readVisit$ = (id: string) => this.api.call$('visit', { params: { id } });
  readonly addVisitEvent$ = (id: string, body: NewVisitEvent) => this.changes$(this.api.call$('addVisitEvent', { params: { id }, body }));
  /** The newest entries, of one account and with these words where asked. */
  readonly movements$ = (limit: number, which: Which = {}) => this.fresh$(() => this.entries$({ limit: String(limit), ...asked(which) }));
  /** Entries that are older than one of them, read once. */
  readonly olderMovements$ = (before: string, limit: number, which: Which = {}) =>
    this.entries$({ before, limit: String(limit), ...asked(which) });
  private readonly entries$ = (query: Record<string, string>) => this.api.call$('movements', { query });

  readonly instruments$ = this.api.call$('instruments');
  readonly gateways$ = this.fresh$(() => this.api.call$('gateways'));
  readonly addGateway$ = (body: { readonly name: string; readonly recordedBy: string }) =>
    this.changes$(this.api.call$('addGateway', { body }));
  readonly revokeGateway$ = (id: string) => this.changes$(this.api.call$('revokeGateway', { params: { id } }));
  readonly shipments$ = this.fresh$(() => this.api.call$('shipments'));
  readonly shipment$ = (id: string) => this.fresh$(() => this.api.call$('shipment', { params: { id } }));
  readonly sendShipment$ = (body: NewShipment) => this.changes$(this.api.call$('sendShipment', { body }));
  readonly receiveShipment$ = (id: string, body: NewReceipt) => this.changes$(this.api.call$('receiveShipment', { params: { id }, body }));
  readonly prices$ = this.fresh$(() => this.api.call$('prices'));
  readonly addPrice$ = (body: NewPrice) => this.changes$(this.api.call$('addPrice', { body }));
  readonly addCylinder$ = (body: NewCylinder) => this.changes$(this.api.call$('addCylinder', { body }));
  readonly cylinderEvents$ = (id: string) => this.fresh$(() => this.api.call$('cylinderEvents', { params: { id } }));
  readonly addCylinderEvent$ = (id: string, body: NewCylinderEvent) =>
    this.changes$(this.api.call$('addCylinderEvent', { params: { id }, body }));
  readonly moveCylinders$ = (body: CylinderMoves) => this.changes$(this.api.call$('moveCylinders', { body }));
  readonly bookDifference$ = (body: NewDifference) => this.changes$(this.api.call$('bookDifference', { body }));
  readonly bookRemoval$ = (body: NewRemoval) => this.changes$(this.api.call$('bookRemoval', { body }));
  readonly importCylinders$ = (body: CylindersImport) => this.changes$(this.api.call$('importCylinders', { body }));
  readonly addSystem$ = (body: NewSystem) => this.changes$(this.api.call$('addSystem', { body }));
  readonly bookTransfer$ = (body: NewTransfer) => this.changes$(this.api.call$('bookTransfer', { body }));
  readonly weigh$ = (id: string, body: NewWeighing) => this.changes$(this.api.call$('weighCylinder', { params: { id }, body }));
  readonly reverse$ = (id: string, body: NewReversal) => this.changes$(this.api.call$('reverseMovement', { params: { id }, body }));
  readonly organisationHistory$ = this.fresh$(() => this.api.call$('organisationHistory'));
  readonly saveOrganisation$ = (body: SavedOrganisation) => this.changes$(this.api.call$('saveOrganisation', { body }));

  /** For what somebody else has changed. */
  readAgain(): void {
    this.changed$.next();
  }

  private fresh$<T>(read: () => Observable<T>): Observable<T> {
    return this.changed$.pipe(startWith(undefined), switchMap(read));
  }

  private changes$<T>(write: Observable<T>): Observable<T> {
    return write.pipe(tap(() => this.changed$.next()));
  }
}
