import { answerLines } from './properties-line';

await answerLines(process.stdin, process.stdout);
process.exit(); // a source that still runs has nobody left to answer
