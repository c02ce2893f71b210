import { coverageRequest, targetCoverage } from '@opsimath/contract/api/coverage';
import {
  bannedWord,
  bannedWordAddition,
  channelKeywords,
  indexOverview,
  refreshAnswer,
  target,
  targetChange,
  targetKeywords,
  targetKeywordsQuery,
  targetMarkets,
  targetProfile,
  targetVersion,
  targetsAdded,
  targetsAddition,
} from '@opsimath/contract/api/targets';
import { front, frontRequest } from '@opsimath/contract/api/front';
import { savedPageAnswer, sitemapAnswer } from '@opsimath/contract/api/imports';
import { isoDay } from '@opsimath/contract/source/answers';
import { z } from 'zod';
import { addBannedWord, listBannedWords, removeBannedWord } from '../data/bannedWords';
import { projectById } from '../data/projects';
import { changeTarget, listTargets, removeTarget, targetById } from '../data/targets';
import { targetVersions } from '../data/targetVersions';
import { addLines } from '../roster/addTargets';
import { compareChannels } from '../roster/channelKeywords';
import { findFront } from '../roster/front';
import { checkIndex, indexState, takeSitemap } from '../roster/indexState';
import { refreshTargets } from '../roster/refresh';
import { takeSavedPage } from '../roster/savedPages';
import type { Routes } from './route';
import type { Services } from './services';
import { withUpload } from './upload';

const scope = z.object({ market: z.string(), date: isoDay });

/** Own and rival targets: who we are and whom we face. */
// eslint-disable-next-line max-lines-per-function -- a list of routes, each a few lines
export function targetRoutes(routes: Routes, services: Services): void {
  const { database, analysis } = services;
  routes.add(
    {
      method: 'get',
      path: '/projects/:id/targets',
      summary: 'Own and rival targets',
      answer: z.array(target),
    },
    async ({ params }) => {
      await projectById(database, params.id);
      return listTargets(database, params.id);
    },
  );
  routes.add(
    {
      method: 'post',
      path: '/projects/:id/targets',
      summary: 'Add targets of any kind, one address or id a line; their public records are fetched',
      body: targetsAddition,
      answer: targetsAdded,
    },
    ({ params, body }) => addLines(services, params.id, body),
  );
  routes.add(
    {
      method: 'post',
      path: '/projects/:id/targets/refresh',
      summary: 'Fetch every public record again; what changed is kept as a new version',
      answer: refreshAnswer,
    },
    ({ params }) => refreshTargets(services, params.id),
  );
  routes.add(
    {
      method: 'patch',
      path: '/projects/:id/targets/:target',
      summary: 'Change what we say of a target: name, note, likeness, private fields, fact card',
      body: targetChange,
      answer: target,
    },
    async ({ params, body }) => {
      await changeTarget(database, params.id, params.target, body);
      return targetById(database, params.id, params.target);
    },
  );
  routes.add(
    {
      method: 'delete',
      path: '/projects/:id/targets/:target',
      summary: 'Take a target out of the roster; what was captured stays',
      answer: z.object({ removed: z.int() }),
    },
    async ({ params }) => {
      await removeTarget(database, params.id, params.target);
      return { removed: params.target };
    },
  );
  routes.add(
    {
      method: 'get',
      path: '/projects/:id/targets/:target/versions',
      summary: 'Public records over time with what changed, newest first',
      answer: z.array(targetVersion),
    },
    async ({ params }) => {
      await targetById(database, params.id, params.target);
      return targetVersions(database, params.target);
    },
  );
  routes.add(
    {
      method: 'get',
      path: '/projects/:id/targets/:target/profile',
      summary: 'A target as a whole: keywords organic and paid, over time, links, titles, what it pays for',
      query: scope,
      answer: targetProfile,
    },
    ({ params, query }) => analysis.targetProfile(params.id, params.target, query),
  );
  routes.add(
    {
      method: 'get',
      path: '/projects/:id/targets/:target/keywords',
      summary: 'One target with all its keywords, or those at one depth, and its tags',
      query: targetKeywordsQuery,
      answer: targetKeywords,
    },
    ({ params, query }) => analysis.targetKeywords(params.id, params.target, query),
  );
  routes.add(
    {
      method: 'post',
      path: '/projects/:id/targets/:target/coverage',
      summary: 'Which words keywords need that a target has or lacks; hidden slots can be pasted',
      body: coverageRequest,
      answer: targetCoverage,
    },
    ({ params, body }) => analysis.targetCoverage(params.id, params.target, body),
  );
  routes.add(
    {
      method: 'get',
      path: '/projects/:id/targets/:target/markets',
      summary: 'One target in every market of its surface, positions side by side',
      query: scope.omit({ market: true }),
      answer: targetMarkets,
    },
    ({ params, query }) => analysis.targetMarkets(params.id, params.target, query.date),
  );
  routes.add(
    {
      method: 'get',
      path: '/projects/:id/channel-keywords',
      summary: 'Which channel sets which keywords for itself',
      answer: channelKeywords,
    },
    ({ params }) => compareChannels(database, params.id),
  );
  routes.add(
    {
      method: 'post',
      path: '/projects/:id/front',
      summary: 'The front of a keyword’s result page as cards; captured first if it is not held',
      body: frontRequest,
      answer: front,
    },
    ({ params, body }) => findFront(services, params.id, body),
  );
  routes.add(
    {
      method: 'get',
      path: '/projects/:id/banned-words',
      summary: 'Words that are not to be used',
      answer: z.array(bannedWord),
    },
    ({ params }) => listBannedWords(database, params.id),
  );
  routes.add(
    {
      method: 'post',
      path: '/projects/:id/banned-words',
      summary: 'Add a word that is not to be used, or change its level and reason',
      body: bannedWordAddition,
      answer: z.array(bannedWord),
    },
    async ({ params, body }) => {
      await projectById(database, params.id);
      await addBannedWord(database, params.id, body);
      return listBannedWords(database, params.id);
    },
  );
  routes.add(
    {
      method: 'delete',
      path: '/projects/:id/banned-words/:word',
      summary: 'Allow a word again',
      answer: z.array(bannedWord),
    },
    async ({ params }) => {
      await removeBannedWord(database, params.id, params.word);
      return listBannedWords(database, params.id);
    },
  );
  routes.add(
    {
      method: 'get',
      path: '/projects/:id/index',
      summary: 'Which own pages search knows, as last checked',
      query: z.object({ market: z.string() }),
      answer: indexOverview,
    },
    ({ params, query }) => indexState(services, params.id, query.market),
  );
  routes.add(
    {
      method: 'post',
      path: '/projects/:id/index/check',
      summary: 'Ask now which own pages search knows',
      body: z.object({ market: z.string() }),
      answer: indexOverview,
    },
    ({ params, body }) => checkIndex(services, params.id, body.market),
  );
  routes.add(
    {
      method: 'post',
      path: '/projects/:id/sitemap',
      summary: 'Own pages from a sitemap.xml (the body is the file)',
      answer: sitemapAnswer,
    },
    ({ params, context }) =>
      withUpload(context, services.filesFolder, (file) => takeSitemap(services, params.id, file)),
  );
  routes.add(
    {
      method: 'post',
      path: '/projects/:id/saved-pages',
      summary: 'A saved HTML page (the body is the file) becomes an own or rival target with its words',
      query: z.object({
        market: z.string(),
        side: z.enum(['own', 'rival']),
        address: z.string().max(2000).default(''),
      }),
      answer: savedPageAnswer,
    },
    ({ params, query, context }) =>
      withUpload(context, services.filesFolder, (file) => takeSavedPage(services, params.id, query, file)),
  );
}
