import { answerLines } from './answer-lines';
import { answerLine } from './properties-line';

await answerLines(process.stdin, process.stdout, answerLine);
process.exit(); // a source that still runs has nobody left to answer
