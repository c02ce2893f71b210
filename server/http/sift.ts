import { combinedPhrases, combinedQuery } from '@opsimath/contract/api/combined';
import { purposeChoice } from '@opsimath/contract/api/purposes';
import { randomUUID } from 'node:crypto';
import {
  clusterPage,
  clusterQuery,
  differenceQuery,
  recipe,
  recipeAddition,
  recipeChange,
  removedPage,
  removedQuery,
  siftDifference,
  siftJudgement,
  siftPage,
  siftQuery,
  treeLevel,
  treeQuery,
  wordCountsPage,
  wordCountsQuery,
} from '@opsimath/contract/api/sift';
import {
  type JudgementStepsAnswer,
  judgementSteps,
  judgementStepsAnswer,
  judgements,
  judgementsAnswer,
} from '@opsimath/contract/api/judgements';
import { z } from 'zod';
import { lookUpById } from '../data/lookUps';
import { projectById } from '../data/projects';
import { addRecipe, bringRecipeBack, changeRecipe, listRecipes, removeRecipe } from '../data/recipes';
import { judge, takeJudgementBack } from '../data/verdicts';
import { KnownProblem, knownProblemOf } from '../problems/problem';
import { sayPurpose } from '../data/saidPurposes';
import type { Routes } from './route';
import type { Services } from './services';

/** More are narrowed first: a slip would be too large to look through. */
const MOST_AT_ONCE = 20_000;

/** From thousands of keywords to the right ones: recipes, what they do to a pool, verdicts. */
// eslint-disable-next-line max-lines-per-function -- a list of routes, each a few lines
export function siftRoutes(routes: Routes, { database, analysis }: Services): void {
  routes.add(
    {
      method: 'post',
      path: '/look-ups/:id/sift',
      summary: 'A pool run through a recipe: counts of every step and one page of what came through',
      body: siftQuery,
      answer: siftPage,
    },
    ({ params, body }) => analysis.siftPage(params.id, body),
  );
  routes.add(
    {
      method: 'post',
      path: '/look-ups/:id/sift/removed',
      summary: 'What one step of a recipe removed, most searched first',
      body: removedQuery,
      answer: removedPage,
    },
    ({ params, body }) => analysis.siftRemoved(params.id, body),
  );
  routes.add(
    {
      method: 'post',
      path: '/look-ups/:id/sift/difference',
      summary: 'What comes through a recipe now against what came through it before',
      body: differenceQuery,
      answer: siftDifference,
    },
    ({ params, body }) => analysis.siftDifference(params.id, body),
  );
  routes.add(
    {
      method: 'post',
      path: '/look-ups/:id/sift/tree',
      summary: 'What comes through, each keyword under the longest one contained in it: one level of it',
      body: treeQuery,
      answer: treeLevel,
    },
    ({ params, body }) => analysis.keywordTree(params.id, body),
  );
  routes.add(
    {
      method: 'post',
      path: '/look-ups/:id/sift/words',
      summary:
        'Words, pairs and threes among what comes through, with how many keywords hold them; counted once',
      body: wordCountsQuery,
      answer: wordCountsPage,
    },
    ({ params, body }) => analysis.wordCounts(params.id, body),
  );
  routes.add(
    {
      method: 'put',
      path: '/projects/:id/keywords/:keyword/purpose',
      summary: 'Say what a search is for; null leaves it to the rules',
      body: purposeChoice,
      answer: z.object({ said: z.boolean() }),
    },
    async ({ params, body }) => {
      await sayPurpose(database, params.id, params.keyword, body.purpose, body.person);
      return { said: body.purpose !== null };
    },
  );
  routes.add(
    {
      method: 'post',
      path: '/look-ups/:id/combined',
      summary: 'Phrases of chosen words that the pool does not hold yet',
      body: combinedQuery,
      answer: combinedPhrases,
    },
    ({ params, body }) => analysis.combined(params.id, body),
  );
  routes.add(
    {
      method: 'post',
      path: '/look-ups/:id/sift/clusters',
      summary: 'What comes through in clusters: keywords that much the same targets answer',
      body: clusterQuery,
      answer: clusterPage,
    },
    ({ params, body }) => analysis.clusterPage(params.id, body),
  );
  routes.add(
    {
      method: 'post',
      path: '/look-ups/:id/sift/judge',
      summary: 'One verdict for all that comes through a recipe; answers with what stood before',
      body: siftJudgement,
      answer: judgementsAnswer,
    },
    async ({ params, body: { id, query, verdict, reason, person } }) => {
      const { projectId } = await lookUpById(database, params.id);
      const ids = await analysis.siftIds(params.id, query, []);
      if (ids.length > MOST_AT_ONCE)
        throw new KnownProblem(
          'too-many-to-judge',
          `${ids.length} keywords come through; up to ${MOST_AT_ONCE} are judged at once.`,
          'Narrow them by a sieve first.',
        );
      if (ids.length === 0) return { id: id ?? randomUUID(), before: [], after: [], newer: 0 };
      const changes = Array.from(ids, (keyword) => ({ keyword, verdict, parked: false, reason }));
      return judge(database, projectId, changes, person, id);
    },
  );
  routes.add(
    {
      method: 'get',
      path: '/projects/:id/recipes',
      summary: 'Recipes, the one changed last first',
      answer: z.array(recipe),
    },
    async ({ params }) => {
      await projectById(database, params.id);
      return listRecipes(database, params.id);
    },
  );
  routes.add(
    {
      method: 'post',
      path: '/projects/:id/recipes',
      summary: 'Start a recipe; without sieves it hides nothing',
      body: recipeAddition,
      answer: recipe,
    },
    async ({ params, body }) => {
      await projectById(database, params.id);
      return addRecipe(database, params.id, body);
    },
  );
  routes.add(
    {
      method: 'patch',
      path: '/projects/:id/recipes/:recipe',
      summary: 'Change a recipe; verdicts stay as they are',
      body: recipeChange,
      answer: recipe,
    },
    ({ params, body }) => changeRecipe(database, params.id, params.recipe, body),
  );
  routes.add(
    {
      method: 'delete',
      path: '/projects/:id/recipes/:recipe',
      summary: 'Take a recipe away; verdicts and lists stay',
      answer: z.array(recipe),
    },
    async ({ params }) => {
      await removeRecipe(database, params.id, params.recipe);
      return listRecipes(database, params.id);
    },
  );
  routes.add(
    {
      method: 'post',
      path: '/projects/:id/recipes/:recipe/back',
      summary: 'Bring a recipe back that was removed',
      answer: z.array(recipe),
    },
    async ({ params }) => {
      await bringRecipeBack(database, params.id, params.recipe);
      return listRecipes(database, params.id);
    },
  );
  routes.add(
    {
      method: 'post',
      path: '/projects/:id/verdicts',
      summary: 'Judge keywords, or take a judgement back; answers with what stood before',
      body: judgements,
      answer: judgementsAnswer,
    },
    async ({ params, body }) => {
      await projectById(database, params.id);
      return judge(database, params.id, body.changes, body.person, body.id);
    },
  );
  routes.add(
    {
      method: 'post',
      path: '/projects/:id/verdicts/steps',
      summary:
        'Steps of judging in the order in which they were given: verdicts, or an earlier step taken back. Each counts once, however often it is sent',
      body: judgementSteps,
      answer: judgementStepsAnswer,
    },
    async ({ params, body }) => {
      await projectById(database, params.id);
      const steps: JudgementStepsAnswer['steps'] = [];
      for (const step of body.steps) {
        const taken =
          'takesBack' in step
            ? takeJudgementBack(database, params.id, step.takesBack, step.person, step.id)
            : judge(database, params.id, step.changes, step.person, step.id);
        steps.push(
          await taken.catch((error: unknown) => {
            // What can never be done is answered, so that it does not stand in the way of the steps after it.
            const problem = knownProblemOf(error);
            if (problem === null || problem.status >= 500) throw error;
            return { id: step.id, problem: problem.message };
          }),
        );
      }
      return { steps };
    },
  );
}
