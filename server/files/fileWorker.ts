import { parentPort, workerData } from 'node:worker_threads';
import { asProblem, toProblem, UnforeseenProblem } from '../problems/problem';
import { storageProblem } from '../data/storage/storageProblems';
import { FILE_TASKS, type FileTasks } from './fileTasks';

const { name, args } = workerData as { name: keyof FileTasks; args: never[] };
try {
  const answer = await (FILE_TASKS[name] as (...given: never[]) => Promise<unknown>)(...args);
  parentPort!.postMessage({ answer });
} catch (error) {
  const problem = storageProblem(error) ?? toProblem(error);
  parentPort!.postMessage({
    problem: asProblem(problem),
    stack: problem instanceof UnforeseenProblem ? (problem.stack ?? problem.message) : null,
  });
}
