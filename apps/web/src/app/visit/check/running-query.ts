import { computed, type Signal } from '@angular/core';
import { readingsFrom } from '@hygromet/contract/running-readings';
import type { System } from '@hygromet/contract/system';
import { plateOf } from '@hygromet/contract/unit-of-system';
import type { Run } from '@hygromet/contract/visit-record';
import type { Composition } from '@hygromet/core/fluids/composition';
import { coreQuery } from '../../core-worker/core-query';
import type { CoreWorker } from '../../core-worker/core-worker.service';
import { lineQuery } from '../../core-worker/line-query';
import type { RunningArgs } from '../../core-worker/running-operations';
import { valueOf } from '../../ui/loadable';
import type { readCheck } from './check-draft';

interface Judged {
  readonly system: Signal<System | undefined>;
  readonly composition: Signal<Composition | undefined>;
  readonly read: Signal<ReturnType<typeof readCheck>>;
  /** Every check of this system, and those of this visit among them; nothing until earlier visits are read, or cannot be. */
  readonly everyRun: Signal<readonly Run[] | undefined>;
  readonly runs: Signal<readonly Run[]>;
}

/** What a running unit is judged by: its plate with what its lines take, the day, what was read, and how it ran when it ran well. */
export function runningQuery(core: CoreWorker, { system, composition, read, everyRun, runs }: Judged) {
  const line = lineQuery(core, system, composition);
  const question = computed((): RunningArgs | undefined => {
    const [unit, inIt, earlier, { conditions, readings, problems, settled, ...plateRead }] = [system(), composition(), everyRun(), read()];
    if (unit === undefined || inIt === undefined || earlier === undefined || conditions === undefined) return undefined;
    if (Object.keys(readings).length === 0 || Object.keys(problems).length > 0) return undefined;
    const lineKg = unit.facts.lineSet === undefined ? 0 : valueOf(line());
    const plate = lineKg === undefined ? undefined : plateOf(unit, inIt, Math.max(0, lineKg), plateRead);
    if (plate === undefined) return undefined;
    const here = new Set(runs());
    const good = earlier
      .filter((run) => run.good && !here.has(run))
      .map((run) => ({ conditions: run.conditions, readings: readingsFrom(run.readings) }));
    return { plate, conditions, readings, settled, good };
  });
  return { line, question, checked: coreQuery(core, 'runningCheck', question, line) };
}
