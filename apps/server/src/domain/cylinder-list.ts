import { coreVersion } from '@hygromet/core/version';
import type { Cylinder } from '@hygromet/contract/cylinder';
import { cylindersOf } from '../store/cylinder-store';
import type { Executor } from '../store/database';
import { ownOrganisation } from '../store/organisation-store';
import { stateOfCylinders } from '../store/register-state';
import { describeCylinders } from './describe-cylinder';
import type { Environment } from './environment';

/** What falls due falls due by the day; a list that is a minute old tells it as well. */
const MINUTE_MS = 60_000;

interface Written {
  /** What it was written from; the same again needs no writing. */
  readonly tag: string;
  readonly body: string;
}

/** The rack, written once for each state that it has: whoever asks for what has not changed is not computed for. */
export class CylinderList {
  private written: Written | undefined;

  constructor(
    private readonly db: Executor,
    private readonly environment: Environment,
  ) {}

  async all(): Promise<Written> {
    const organisation = await ownOrganisation(this.db);
    const now = this.environment.now();
    // asked for before the cylinders: what changes in between is in the list already, and is written anew the next time
    const state = await stateOfCylinders(this.db, organisation.id);
    const tag = `"${coreVersion}-${state}-${Math.floor(now.getTime() / MINUTE_MS)}"`;
    if (this.written?.tag === tag) return this.written;
    const cylinders = await describeCylinders(await cylindersOf(this.db, organisation.id), organisation, this.environment);
    this.written = { tag, body: JSON.stringify(cylinders) };
    return this.written;
  }

  /** Some of them, in the order of their names, from the one after a name on. */
  async page({ after, limit }: { readonly after?: string | undefined; readonly limit: number }): Promise<Cylinder[]> {
    const organisation = await ownOrganisation(this.db);
    const records = await cylindersOf(this.db, organisation.id, { after, limit });
    return describeCylinders(records, organisation, this.environment);
  }
}
