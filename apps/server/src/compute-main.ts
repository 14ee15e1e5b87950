import { computeRequest } from '@hygromet/contract/compute';
import { answerLines, lineBy } from './answer-lines';
import { answerCompute } from './domain/answer-compute';
import { loadSolver } from './domain/solver';

const solve = await loadSolver();
await answerLines(
  process.stdin,
  process.stdout,
  lineBy(computeRequest, (request) => answerCompute(request, solve)),
);
process.exit(); // a source that still runs has nobody left to answer
