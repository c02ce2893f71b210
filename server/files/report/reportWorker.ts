import { parentPort, workerData } from 'node:worker_threads';
import { asProblem, toProblem, UnforeseenProblem } from '../../problems/problem';
import { type FileOrder, makeFile } from './makeFile';

const TELL_EVERY_MS = 100;
let told = 0;
try {
  const made = await makeFile(workerData as FileOrder, (progress) => {
    const now = performance.now();
    if (now - told < TELL_EVERY_MS) return;
    told = now;
    parentPort!.postMessage({ progress });
  });
  parentPort!.postMessage({ made: new Uint8Array(made) });
} catch (error) {
  const problem = toProblem(error);
  parentPort!.postMessage({
    problem: asProblem(problem),
    stack: problem instanceof UnforeseenProblem ? (problem.stack ?? problem.message) : null,
  });
}
