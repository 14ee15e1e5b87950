import fc from 'fast-check';
import { purposes } from '../circuit/opened';
import { methods } from '../planning/method';
import { marks, stages, type Mark, type Stage } from './stage';
import { nextStage, stageStates, type JobSoFar } from './stage-states';

const nothing: JobSoFar = {
  ambientRead: false,
  standingRead: false,
  failed: 'unknown',
  purpose: 'repair',
  method: undefined,
  factsChanged: false,
  lookChanged: false,
  transfers: 0,
  pumpedDown: false,
  said: new Map(),
  closed: false,
};
const of = (job: Partial<JobSoFar>, stage: Stage) => stageStates({ ...nothing, ...job }).find((stageState) => stageState.stage === stage)!;

test('a visit that nobody has begun lacks what is read first', () => {
  expect(of({}, 'look')).toEqual({ stage: 'look', state: 'ahead', lacks: ['standing-pressure', 'ambient', 'failed-part'] });
  expect(stageStates(nothing).every(({ state }) => state === 'ahead')).toBe(true);
  expect(nextStage(stageStates(nothing))).toBe('look');
});

test('after a pump-down nothing asks to fill a cylinder', () => {
  for (const method of ['pump-down-condenser', 'pump-down-receiver'] as const) {
    expect(of({ method, failed: 'evaporator' }, 'transfer')).toMatchObject({ state: 'ahead', lacks: ['pump-down'] });
    expect(of({ method, failed: 'evaporator', pumpedDown: true }, 'transfer').state).toBe('done');
    expect(of({ method, failed: 'evaporator' }, 'account')).toMatchObject({ state: 'not-needed', notNeeded: 'nothing-removed' });
  }
  expect(of({ method: 'pump-down-and-recover', failed: 'evaporator' }, 'transfer').state).toBe('ahead');
});

test('flat skips the transfer, and its loss is still accounted for', () => {
  expect(of({ method: 'nothing', failed: 'evaporator' }, 'transfer')).toMatchObject({ state: 'not-needed', notNeeded: 'flat' });
  expect(of({ method: 'nothing', failed: 'evaporator' }, 'account').state).toBe('ahead');
});

test('what is taken out of service is neither proved nor recharged', () => {
  for (const stage of ['prove', 'recharge', 'check'] as const)
    expect(of({ method: 'recover', failed: 'none' }, stage)).toMatchObject({ state: 'not-needed', notNeeded: 'taken-out-of-service' });
});

test('facts that changed are a trouble, whatever was said before', () => {
  const said = new Map([['method', { mark: 'done', why: '' }]] as const);
  expect(of({ method: 'recover', factsChanged: true, said }, 'method')).toMatchObject({ state: 'trouble', trouble: 'facts-changed' });
});

test('a method that was saved for another part is a trouble', () => {
  expect(of({ method: 'recover', failed: 'compressor', lookChanged: true }, 'method')).toMatchObject({
    state: 'trouble',
    trouble: 'look-changed',
  });
  expect(of({ lookChanged: true }, 'method').state).toBe('ahead');
});

test('what a person says of a stage goes before the method', () => {
  const said = new Map<Stage, { mark: Mark; why: string }>([['account', { mark: 'done', why: 'all explained' }]]);
  expect(of({ method: 'recover', transfers: 1, said }, 'account')).toEqual({
    stage: 'account',
    state: 'done',
    said: 'all explained',
    lacks: [],
  });
});

const job = fc.record({
  ambientRead: fc.boolean(),
  standingRead: fc.boolean(),
  failed: fc.constantFrom('unknown', 'none', 'evaporator', 'compressor'),
  method: fc.option(fc.constantFrom(...methods), { nil: undefined }),
  factsChanged: fc.boolean(),
  lookChanged: fc.boolean(),
  transfers: fc.nat(3),
  pumpedDown: fc.boolean(),
  purpose: fc.constantFrom(...purposes),
  said: fc
    .array(fc.tuple(fc.constantFrom(...stages), fc.record({ mark: fc.constantFrom(...marks), why: fc.string() })))
    .map((entries) => new Map(entries)),
  closed: fc.boolean(),
});

test('a stage is done only by a person, by a reading, by a plan or by a transfer; with less known, no stage is further', () => {
  fc.assert(
    fc.property(job, (entry) => {
      const states = stageStates(entry);
      expect(states.map(({ stage }) => stage)).toEqual([...stages]);
      for (const { stage, state, lacks, notNeeded } of states) {
        const word = entry.said.get(stage)?.mark;
        if (state === 'done' && stage !== 'close') expect(word === 'done' || lacks.length === 0).toBe(true);
        if (state === 'done' && ['account', 'repair', 'prove', 'recharge', 'check'].includes(stage)) expect(word).toBe('done');
        if (state === 'not-needed' && entry.method === undefined) expect(notNeeded).toBe('said');
      }
      const unseen = stageStates({
        ...entry,
        ambientRead: false,
        standingRead: false,
        failed: 'unknown',
        purpose: 'repair',
        method: undefined,
      });
      const look = (all: typeof states) => all.find(({ stage }) => stage === 'look')!;
      expect(look(unseen).state === 'done').toBe(entry.said.get('look')?.mark === 'done');
      expect(look(unseen).lacks.length).toBeGreaterThanOrEqual(look(states).lacks.length);
    }),
  );
});

test('a visit closes only when somebody closes it, and says while something is open', () => {
  fc.assert(
    fc.property(job, (entry) => {
      const states = stageStates(entry);
      const close = states.at(-1)!;
      expect(close.state === 'done').toBe(entry.closed);
      const open = states.slice(0, -1).some(({ state }) => state === 'ahead' || state === 'trouble');
      if (!entry.closed) expect(close.lacks).toEqual(open ? ['stages-before'] : []);
      expect(open ? states.find(({ stage }) => stage === nextStage(states))!.state : 'ahead').not.toBe('done');
    }),
  );
});

test('a unit that is carried away with its charge is still recovered; a system that is removed is not proved, charged or checked', () => {
  const pumped = { method: 'pump-down-condenser', failed: 'unknown' } as const;
  expect(of({ ...pumped, failed: 'evaporator' }, 'transfer')).toMatchObject({ state: 'ahead', lacks: ['pump-down'] });
  for (const purpose of ['replace-outdoor', 'replace-both', 'remove'] as const) {
    expect(of({ ...pumped, purpose }, 'transfer')).toMatchObject({ state: 'ahead', lacks: ['weighed-transfer'] });
    expect(of({ ...pumped, purpose }, 'account').state).toBe('ahead');
  }
  for (const stage of ['prove', 'recharge', 'check'] as const) {
    expect(of({ ...pumped, purpose: 'remove' }, stage)).toMatchObject({ state: 'not-needed', notNeeded: 'taken-out-of-service' });
    expect(of({ ...pumped, purpose: 'replace-outdoor' }, stage).state).toBe('ahead');
  }
  expect(of({ ambientRead: true, standingRead: true, purpose: 'replace-indoor' }, 'look').state).toBe('done');
});
