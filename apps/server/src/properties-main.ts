import { answerLines } from './properties-line';

await answerLines(process.stdin, process.stdout);
