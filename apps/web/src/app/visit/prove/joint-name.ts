import type { Joint } from '@hygromet/core/circuit/joints';
import { THING, type Thing } from '@hygromet/core/circuit/opened';
import { thingName } from '../../systems/system-labels';

/** A place of the record, or one that somebody has added. */
export type Listed = Pick<Joint, 'kind'> & { readonly id: string };

/** As a person calls it. */
export function jointName({ id, kind }: Listed): string {
  const name = THING.test(id) ? thingName(id as Thing) : id; // the pattern names what circuits have; the rest is as somebody wrote it
  if (kind === 'valve') return $localize`${name}, stem and cap`;
  return kind === 'port' ? $localize`${name}, core and cap` : name;
}
