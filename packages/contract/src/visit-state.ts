import type { VisitEvent } from './visit-event';
import type { VisitRecord } from './visit-record';
import type { VisitTest } from './visit-test';
import type { VisitTransfer } from './visit-transfer';

/** The state after one more event. Nothing of the state before is changed. */
export function withEvent(before: VisitRecord | undefined, event: VisitEvent): VisitRecord {
  if (before === undefined) {
    if (event.kind !== 'opened') throw new Error('a visit begins with its opening');
    return {
      day: event.day,
      time: event.time ?? null,
      person: event.person ?? null,
      reason: event.reason,
      look: {},
      plan: null,
      marked: [],
      readings: [],
      tests: [],
      transfers: [],
      joints: [],
      photographs: [],
      refrigerantTests: [],
      cleaning: [],
      chargeNotes: [],
      runs: [],
      state: 'open',
      openedBy: event.recordedBy,
      changedAt: event.recordedAt,
      version: 1,
    };
  }
  return { ...before, ...changeBy(event, before), changedAt: event.recordedAt, version: before.version + 1 };
}

function changeBy(event: VisitEvent, before: VisitRecord): Partial<VisitRecord> {
  switch (event.kind) {
    case 'opened':
      throw new Error('a visit is opened once');
    case 'looked':
      return { look: { ...before.look, ...event.look } };
    case 'planned':
      return { plan: event.plan };
    case 'read':
      return {
        readings: [...before.readings, { step: event.step, text: event.text, readAt: event.happenedAt, recordedBy: event.recordedBy }],
      };
    case 'marked': {
      const { stage: of, mark, why, happenedAt: at, recordedBy: by } = event;
      return { marked: [...before.marked.filter((entry) => entry.stage !== of), { stage: of, mark, why, at, by }] };
    }
    case 'joint-checked': {
      const { joint, check, finding, happenedAt: at, recordedBy: by } = event;
      return { joints: [...before.joints.filter((entry) => entry.joint !== joint), { joint, check, finding, at, by }] };
    }
    case 'photographed': {
      const { photograph, place, note, happenedAt: at, recordedBy: by } = event;
      return { photographs: [...before.photographs, { photograph, place, note, at, by }] };
    }
    case 'refrigerant-tested': {
      const { test, result, kit, happenedAt: at, recordedBy: by } = event;
      return { refrigerantTests: [...before.refrigerantTests, { test, result, kit, at, by }] };
    }
    case 'cleaned': {
      const { step, massKg = null, happenedAt: at, recordedBy: by } = event;
      return { cleaning: [...before.cleaning, { step, massKg, at, by }] };
    }
    case 'test-begun':
      return {
        tests: [
          ...before.tests,
          {
            id: event.testId,
            setUp: event.setUp,
            begunAt: event.happenedAt,
            begunBy: event.recordedBy,
            readings: [],
            followed: null,
            ended: null,
          },
        ],
      };
    case 'test-read':
      return {
        tests: changedTest(before, event.testId, (test) => ({
          ...test,
          readings: [...test.readings, { at: event.happenedAt, by: event.recordedBy, reading: event.reading }],
        })),
      };
    case 'test-followed':
      return { tests: changedTest(before, event.testId, (test) => withFollowed(test, event)) };
    case 'test-ended':
      return {
        tests: changedTest(before, event.testId, (test) => ({
          ...test,
          ended: { at: event.happenedAt, by: event.recordedBy, finding: event.finding },
        })),
      };
    case 'transfer-begun':
      return {
        transfers: [
          ...before.transfers,
          {
            id: event.transferId,
            setUp: event.setUp,
            begunAt: event.happenedAt,
            begunBy: event.recordedBy,
            readings: [],
            notes: [],
            ended: null,
          },
        ],
      };
    case 'transfer-read':
      return {
        transfers: changedTransfer(before, event.transferId, (transfer) => ({
          ...transfer,
          readings: [...transfer.readings, { at: event.happenedAt, by: event.recordedBy, reading: event.reading }],
        })),
      };
    case 'transfer-noted':
      return {
        transfers: changedTransfer(before, event.transferId, (transfer) => ({
          ...transfer,
          notes: [...transfer.notes, { at: event.happenedAt, by: event.recordedBy, note: event.note }],
        })),
      };
    case 'transfer-ended':
      return {
        transfers: changedTransfer(before, event.transferId, (transfer) => ({
          ...transfer,
          ended: { at: event.happenedAt, by: event.recordedBy, finish: event.finish },
        })),
      };
    case 'charge-noted': {
      const { note, happenedAt: at, recordedBy: by } = event;
      return { chargeNotes: [...before.chargeNotes, { note, at, by }] };
    }
    case 'ran': {
      const { unit, conditions, readings, settled, good, advice, chargeShare, coreVersion, happenedAt: at, recordedBy: by } = event;
      return { runs: [...before.runs, { unit, conditions, readings, settled, good, advice, chargeShare, coreVersion, at, by }] };
    }
    case 'moved':
      // another day is another appointment: an hour that was agreed for the day before does not come along
      return { day: event.day, time: event.time ?? null, person: event.person ?? before.person };
    case 'closed':
      return { state: 'closed' };
    case 'reopened':
      return { state: 'open' };
    default:
      return event satisfies never;
  }
}

/** Two pages may follow one test: what the other has sent already is not taken twice. */
function withFollowed(test: VisitTest, { instruments, speed, readings }: Extract<VisitEvent, { kind: 'test-followed' }>): VisitTest {
  const by = instruments.join(', ');
  const begun = Date.parse(test.begunAt);
  const last = Math.max(-1, ...test.readings.filter((entry) => entry.by === by).map(({ at }) => Date.parse(at) - begun));
  const fresh = readings
    .map(({ t, reading }) => ({ afterMs: Math.round(1000 * t), reading }))
    .filter(({ afterMs }) => afterMs > last)
    .map(({ afterMs, reading }) => ({ at: new Date(begun + afterMs).toISOString(), by, reading }));
  return { ...test, readings: [...test.readings, ...fresh], followed: instruments.length === 0 ? null : { instruments, speed } };
}

const changedTest = ({ tests }: VisitRecord, id: string, change: (test: VisitTest) => VisitTest): VisitTest[] =>
  tests.map((test) => (test.id === id ? change(test) : test));

const changedTransfer = ({ transfers }: VisitRecord, id: string, change: (transfer: VisitTransfer) => VisitTransfer): VisitTransfer[] =>
  transfers.map((transfer) => (transfer.id === id ? change(transfer) : transfer));

/** @throws where the events do not begin with an opening */
export function recordOf(events: readonly VisitEvent[]): VisitRecord {
  const record = events.reduce<VisitRecord | undefined>(withEvent, undefined);
  if (record === undefined) throw new Error('a visit has at least its opening');
  return record;
}
