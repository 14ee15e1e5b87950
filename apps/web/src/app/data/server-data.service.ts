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
import type { NewPhotograph } from '@hygromet/contract/photograph';
import type { NewVisitEvent } from '@hygromet/contract/visit-event';
import { concatMap, map, shareReplay, tap, type Observable } from 'rxjs';
import { Api } from './api';
import { SharedReads } from './shared-reads';

/** What is kept, by kind: a change names the kinds that it touches, and what depends on them is read anew. */
type Kind = 'organisation' | 'cylinders' | 'systems' | 'visits' | 'ledger' | 'shipments' | 'prices' | 'gateways';

/** Whatever moves refrigerant changes accounts and what stands in cylinders, systems and visits. */
const MOVED: readonly Kind[] = ['ledger', 'cylinders', 'systems', 'visits'];

/** Which entries of the ledger; an empty text is none. */
interface Which {
  readonly account?: string | undefined;
  readonly text?: string;
}

const queryOf = ({ account, text = '' }: Which): Record<string, string> => ({
  ...(account === undefined ? {} : { account }),
  ...(text === '' ? {} : { text }),
});

/** Streams of what the server keeps: one request for however many look, read anew after a change of its kind that this device makes. */
@Injectable({ providedIn: 'root' })
export class ServerData {
  private readonly api = inject(Api);
  private readonly reads = new SharedReads<Kind>();

  readonly organisation$ = this.reads.of$('organisation', ['organisation'], () => this.api.call$('organisation'));
  readonly cylinders$ = this.reads.of$('cylinders', ['cylinders'], () => this.api.call$('cylinders'));
  readonly systems$ = this.reads.of$('systems', ['systems'], () => this.api.call$('systems'));
  readonly accounts$ = this.reads.of$('accounts', ['ledger'], () => this.api.call$('accounts'));
  /** The list of refrigerants changes with the program alone. */
  readonly refrigerants$ = this.api.call$('refrigerants').pipe(shareReplay({ bufferSize: 1, refCount: false }));

  readonly cylinder$ = (id: string) =>
    this.reads.of$(`cylinder ${id}`, ['cylinders'], () => this.api.call$('cylinder', { params: { id } }));
  readonly system$ = (id: string) => this.reads.of$(`system ${id}`, ['systems'], () => this.api.call$('system', { params: { id } }));
  readonly saveSystemFacts$ = (id: string, body: SavedFacts) =>
    this.changes$(['systems'], this.api.call$('saveSystemFacts', { params: { id }, body }));
  readonly systemHistory$ = (id: string) =>
    this.reads.of$(`history ${id}`, ['systems'], () => this.api.call$('systemHistory', { params: { id } }));
  readonly importSystems$ = (body: SystemsImport) => this.books$(['systems', 'ledger'], this.api.call$('importSystems', { body }));
  readonly visits$ = this.reads.of$('visits', ['visits'], () => this.api.call$('visits'));
  readonly addVisit$ = (body: NewVisit) => this.changes$(['visits'], this.api.call$('addVisit', { body }));
  readonly visit$ = (id: string) => this.reads.of$(`visit ${id}`, ['visits'], () => this.readVisit$(id));
  /** A visit as it is now, read once. */
  readonly readVisit$ = (id: string) => this.api.call$('visit', { params: { id } });
  readonly addVisitEvent$ = (id: string, body: NewVisitEvent) =>
    this.changes$(['visits'], this.api.call$('addVisitEvent', { params: { id }, body }));
  readonly addPhotograph$ = (body: NewPhotograph) => this.api.call$('addPhotograph', { body });
  readonly photograph$ = (id: string) => this.api.bytes$(`/api/photographs/${id}.jpg`);
  /** The newest entries, of one account and with these words where asked. */
  readonly movements$ = (limit: number, which: Which = {}) =>
    this.reads.of$(`entries ${limit} ${JSON.stringify(which)}`, ['ledger'], () =>
      this.entries$({ limit: String(limit), ...queryOf(which) }),
    );
  readonly movement$ = (id: string) => this.reads.of$(`entry ${id}`, ['ledger'], () => this.api.call$('movement', { params: { id } }));
  /** Entries that are older than one of them, read once. */
  readonly olderMovements$ = (before: string, limit: number, which: Which = {}) =>
    this.entries$({ before, limit: String(limit), ...queryOf(which) });
  private readonly entries$ = (query: Record<string, string>) => this.api.call$('movements', { query });

  readonly instruments$ = this.api.call$('instruments');
  readonly gateways$ = this.reads.of$('gateways', ['gateways'], () => this.api.call$('gateways'));
  readonly addGateway$ = (body: { readonly name: string; readonly recordedBy: string }) =>
    this.changes$(['gateways'], this.api.call$('addGateway', { body }));
  readonly revokeGateway$ = (id: string) => this.changes$(['gateways'], this.api.call$('revokeGateway', { params: { id } }));
  readonly shipments$ = this.reads.of$('shipments', ['shipments'], () => this.api.call$('shipments'));
  readonly shipment$ = (id: string) =>
    this.reads.of$(`shipment ${id}`, ['shipments'], () => this.api.call$('shipment', { params: { id } }));
  readonly sendShipment$ = (body: NewShipment) => this.books$([...MOVED, 'shipments'], this.api.call$('sendShipment', { body }));
  readonly receiveShipment$ = (id: string, body: NewReceipt) =>
    this.books$([...MOVED, 'shipments'], this.api.call$('receiveShipment', { params: { id }, body }));
  readonly prices$ = this.reads.of$('prices', ['prices'], () => this.api.call$('prices'));
  readonly addPrice$ = (body: NewPrice) => this.changes$(['prices'], this.api.call$('addPrice', { body }));
  readonly addCylinder$ = (body: NewCylinder) => this.books$(MOVED, this.api.call$('addCylinder', { body }));
  readonly cylinderEvents$ = (id: string) =>
    this.reads.of$(`events ${id}`, ['cylinders'], () => this.api.call$('cylinderEvents', { params: { id } }));
  readonly addCylinderEvent$ = (id: string, body: NewCylinderEvent) =>
    this.changes$(['cylinders'], this.api.call$('addCylinderEvent', { params: { id }, body }));
  readonly moveCylinders$ = (body: CylinderMoves) => this.changes$(['cylinders'], this.api.call$('moveCylinders', { body }));
  readonly bookDifference$ = (body: NewDifference) => this.books$(MOVED, this.api.call$('bookDifference', { body }));
  readonly bookRemoval$ = (body: NewRemoval) => this.books$(MOVED, this.api.call$('bookRemoval', { body }));
  readonly importCylinders$ = (body: CylindersImport) => this.books$(MOVED, this.api.call$('importCylinders', { body }));
  readonly addSystem$ = (body: NewSystem) => this.books$(['systems', 'ledger'], this.api.call$('addSystem', { body }));
  readonly bookTransfer$ = (body: NewTransfer) => this.books$(MOVED, this.api.call$('bookTransfer', { body }));
  readonly weigh$ = (id: string, body: NewWeighing) => this.books$(MOVED, this.api.call$('weighCylinder', { params: { id }, body }));
  readonly reverse$ = (id: string, body: NewReversal) => this.books$(MOVED, this.api.call$('reverseMovement', { params: { id }, body }));
  readonly organisationHistory$ = this.reads.of$('settings', ['organisation'], () => this.api.call$('organisationHistory'));
  readonly saveOrganisation$ = (body: SavedOrganisation) => this.changes$('all', this.api.call$('saveOrganisation', { body }));

  /** For what somebody else has changed. */
  readAgain(): void {
    this.reads.changed('all');
  }

  /** A booking is over when what stands on the page has it: nobody books the same again on what the page said before. */
  private books$<T>(kinds: readonly Kind[], write$: Observable<T>): Observable<T> {
    return write$.pipe(concatMap((answer) => this.reads.changed(kinds).pipe(map(() => answer))));
  }

  private changes$<T>(kinds: readonly Kind[] | 'all', write$: Observable<T>): Observable<T> {
    return write$.pipe(tap(() => this.reads.changed(kinds)));
  }
}
