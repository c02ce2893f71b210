import type { packingRequest } from '@opsimath/contract/api/drafts';
import type { z } from 'zod';
import path from 'node:path';
import { parentPort, workerData } from 'node:worker_threads';
import { openDatabase } from '../../data/storage/connection';
import { WriteTurn } from '../../data/storage/writeTurn';
import { UnforeseenProblem, asProblem, toProblem } from '../../problems/problem';
import { CLOSE, LOADED } from './loaded';
import { around } from '../questions/around';
import { bids } from '../questions/bids';
import { keywordsCompared } from '../comparison/openComparison';
import { clusterPage } from '../questions/clusters';
import { dossier } from '../questions/dossier';
import { gapPage } from '../questions/gapPage';
import { gapGroups } from '../questions/gapGroups';
import { keywordHits } from '../questions/keywordHits';
import { overTime } from '../questions/overTime';
import { ownQueries } from '../questions/ownQueries';
import { paidView } from '../questions/paidView';
import { surfacesView } from '../questions/surfaces';
import { study } from '../questions/study';
import { listSheet } from '../questions/listSheet';
import { marketModels } from '../questions/marketModels';
import { gatherSides } from '../facts/sides';
import { resultPage } from '../facts/history';
import { poolChange } from '../questions/poolChange';
import { poolPage } from '../questions/poolPage';
import { poolTable } from '../questions/poolTable';
import { siftDifference } from '../questions/siftDifference';
import { keywordTree } from '../questions/keywordTree';
import { siftIds, siftPage, siftRemoved } from '../questions/siftPage';
import { targetCoverage } from '../questions/targetCoverage';
import { targetKeywords } from '../questions/targetKeywords';
import { targetMarkets } from '../questions/targetMarkets';
import { targetProfile } from '../questions/targetProfile';
import { writeFrozen, writeReport } from '../report/writeReport';
import { adGroup } from '../questions/adGroup';
import { ownCopy } from '../questions/ownCopy';
import { alerts } from '../questions/alerts';
import { effects } from '../questions/effects';
import { rechecked } from '../questions/rechecked';
import { watch } from '../questions/watch';
import { watchDue } from '../questions/watchDue';
import { watchTargets } from '../questions/watchTargets';
import { presence } from '../questions/presence';
import { draftMaterial } from '../questions/draftMaterial';
import { draftGround } from '../questions/draftGround';
import { answering } from '../questions/answering';
import { measureFor, pickedTasks, plannedTasks, roundPlan } from '../questions/roundPlan';
import { roundToldAlone, roundsView } from '../questions/rounds';
import { closeSolveWorkers, inSolveWorker } from '../planning/inSolveWorker';
import { variantPage } from '../questions/variants';
import { whatToDo } from '../questions/whatToDo';
import { combined } from '../questions/combined';
import { wordCounts } from '../questions/wordCounts';
import { closeFitWorkers, keepFitsIn } from '../models/inFitWorker';
import { closeWordWorkers } from '../words/inWordWorker';
import { Workspace } from '../kept/workspace';
import { marketByCode } from '../../data/markets';

const { file, budgetBytes, turn } = workerData as {
  file: string;
  budgetBytes: number;
  turn: SharedArrayBuffer;
};
keepFitsIn(path.join(path.dirname(file), 'fits'));
const workspace = new Workspace(await openDatabase(file, new WriteTurn(turn)), budgetBytes);

type Rest<F> = F extends (workspace: Workspace, ...rest: infer R) => unknown ? R : never;

/** Everything this thread answers, by name. */
const answers = {
  gapPage: (...args: Rest<typeof gapPage>) => gapPage(workspace, ...args),
  whatToDo: (...args: Rest<typeof whatToDo>) => whatToDo(workspace, ...args),
  roundsView: (...args: Rest<typeof roundsView>) => roundsView(workspace, ...args),
  roundToldAlone: (...args: Rest<typeof roundToldAlone>) => roundToldAlone(workspace, ...args),
  roundPlan: (...args: Rest<typeof roundPlan>) => roundPlan(workspace, ...args),
  plannedTasks: (...args: Rest<typeof plannedTasks>) => plannedTasks(workspace, ...args),
  pickedTasks: (...args: Rest<typeof pickedTasks>) => pickedTasks(workspace, ...args),
  measureFor: (...args: Rest<typeof measureFor>) => measureFor(workspace, ...args),
  adGroup: (...args: Rest<typeof adGroup>) => adGroup(workspace, ...args),
  ownCopy: (...args: Rest<typeof ownCopy>) => ownCopy(workspace, ...args),
  alerts: (...args: Rest<typeof alerts>) => alerts(workspace, ...args),
  watch: (...args: Rest<typeof watch>) => watch(workspace, ...args),
  watchDue: (...args: Rest<typeof watchDue>) => watchDue(workspace, ...args),
  watchTargets: (...args: Rest<typeof watchTargets>) => watchTargets(workspace, ...args),
  presence: (...args: Rest<typeof presence>) => presence(workspace, ...args),
  effects: (...args: Rest<typeof effects>) => effects(workspace, ...args),
  rechecked: (...args: Rest<typeof rechecked>) => rechecked(workspace, ...args),
  draftMaterial: (...args: Rest<typeof draftMaterial>) => draftMaterial(workspace, ...args),
  draftGround: (...args: Rest<typeof draftGround>) => draftGround(workspace, ...args),
  packWords: ({ keywords, ...limits }: z.output<typeof packingRequest>) =>
    inSolveWorker('packing', { keywords, limits }),
  answering: (...args: Rest<typeof answering>) => answering(workspace, ...args),
  gapGroups: (...args: Rest<typeof gapGroups>) => gapGroups(workspace, ...args),
  keywordsCompared: (...args: Rest<typeof keywordsCompared>) => keywordsCompared(workspace, ...args),
  keywordHits: (...args: Rest<typeof keywordHits>) => keywordHits(workspace, ...args),
  overTime: (...args: Rest<typeof overTime>) => overTime(workspace, ...args),
  ownQueries: (...args: Rest<typeof ownQueries>) => ownQueries(workspace, ...args),
  paidView: (...args: Rest<typeof paidView>) => paidView(workspace, ...args),
  surfacesView: (...args: Rest<typeof surfacesView>) => surfacesView(workspace, ...args),
  bids: (...args: Rest<typeof bids>) => bids(workspace, ...args),
  study: (...args: Rest<typeof study>) => study(workspace, ...args),
  around: (...args: Rest<typeof around>) => around(workspace, ...args),
  dossier: (...args: Rest<typeof dossier>) => dossier(workspace, ...args),
  poolPage: (...args: Rest<typeof poolPage>) => poolPage(workspace, ...args),
  poolChange: (...args: Rest<typeof poolChange>) => poolChange(workspace, ...args),
  poolTable: (...args: Rest<typeof poolTable>) => poolTable(workspace, ...args),
  siftPage: (...args: Rest<typeof siftPage>) => siftPage(workspace, ...args),
  siftRemoved: (...args: Rest<typeof siftRemoved>) => siftRemoved(workspace, ...args),
  siftDifference: (...args: Rest<typeof siftDifference>) => siftDifference(workspace, ...args),
  keywordTree: (...args: Rest<typeof keywordTree>) => keywordTree(workspace, ...args),
  siftIds: (...args: Rest<typeof siftIds>) => siftIds(workspace, ...args),
  clusterPage: (...args: Rest<typeof clusterPage>) => clusterPage(workspace, ...args),
  variantPage: (...args: Rest<typeof variantPage>) => variantPage(workspace, ...args),
  listSheet: (...args: Rest<typeof listSheet>) => listSheet(workspace, ...args),
  combined: (...args: Rest<typeof combined>) => combined(workspace, ...args),
  wordCounts: (...args: Rest<typeof wordCounts>) => wordCounts(workspace, ...args),
  targetCoverage: (...args: Rest<typeof targetCoverage>) => targetCoverage(workspace, ...args),
  targetKeywords: (...args: Rest<typeof targetKeywords>) => targetKeywords(workspace, ...args),
  targetMarkets: (...args: Rest<typeof targetMarkets>) => targetMarkets(workspace, ...args),
  targetProfile: (...args: Rest<typeof targetProfile>) => targetProfile(workspace, ...args),
  marketModels: (...args: Rest<typeof marketModels>) => marketModels(workspace, ...args),
  writeReport: (...args: Rest<typeof writeReport>) => writeReport(workspace, ...args),
  writeFrozen: (...args: Rest<typeof writeFrozen>) => writeFrozen(workspace, ...args),
  resultPage: async (projectId: number, code: string, keywordId: number, date: string) => {
    const market = await marketByCode(workspace.database, code);
    const sides = await gatherSides(workspace.database, projectId, market.surface);
    return resultPage(workspace, market.id, keywordId, date, sides);
  },
};
export type AnalysisAnswers = typeof answers;

parentPort!.postMessage({ id: LOADED });

/** Answers that may be large, or that say how far something is, are not kept. */
const KEPT_NOT: ReadonlySet<keyof AnalysisAnswers> = new Set([
  'writeFrozen',
  'poolTable',
  'listSheet',
  'siftIds',
  'wordCounts',
]);

/** An answer, or the one that somebody else is waiting for, or has had since anything was last changed. */
async function answerTo(name: keyof AnalysisAnswers, args: never[]): Promise<unknown> {
  const answer = answers[name] as (...values: never[]) => Promise<unknown>;
  if (KEPT_NOT.has(name)) return answer(...args);
  const revisions = await workspace.revisions({});
  return workspace.keep('answer', revisions, [revisions.total, name, args], () => answer(...args));
}

interface Question {
  id: number;
  name: keyof AnalysisAnswers | typeof CLOSE;
  args: never[];
}

parentPort!.on('message', ({ id, name, args }: Question) => {
  if (name === CLOSE) {
    workspace.database.client.close();
    void Promise.all([closeWordWorkers(), closeFitWorkers(), closeSolveWorkers()]).finally(() =>
      process.exit(0),
    );
    return;
  }
  answerTo(name, args).then(
    (value) => parentPort!.postMessage({ id, value }),
    (error: unknown) => {
      const problem = toProblem(error);
      const trouble =
        problem instanceof UnforeseenProblem
          ? { number: problem.number, where: `analysis: ${name}`, stack: problem.stack ?? problem.message }
          : undefined;
      parentPort!.postMessage({ id, problem: asProblem(problem), trouble });
    },
  );
});
