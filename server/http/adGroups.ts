import { adGroup, adGroupQuery, keptBids, keptListings } from '@opsimath/contract/api/adGroups';
import { z } from 'zod';
import { draftById } from '../data/drafts';
import { keywordsById } from '../data/keywords';
import { organicOnly } from '../data/tasks';
import { marketById } from '../data/markets';
import { projectById } from '../data/projects';
import { type Cell, type Table, writeTable } from '../files/tableWriters';
import type { Routes } from './route';
import type { Services } from './services';

export function adGroupRoutes(routes: Routes, { database, analysis }: Services): void {
  routes.add(
    {
      method: 'get',
      path: '/projects/:id/drafts/:draft/bids',
      summary: 'Guides, three levels of bid and a budget split, for the keywords of an ad group',
      query: adGroupQuery.omit({ market: true }),
      answer: adGroup,
    },
    async ({ params, query }) => {
      const draft = await draftById(database, params.id, params.draft);
      const { code } = await marketById(database, draft.marketId);
      return analysis.adGroup(params.id, { ...query, market: code }, draft.keywords);
    },
  );
  routes.add(
    {
      method: 'get',
      path: '/projects/:id/drafts/:draft/file',
      summary:
        'An ad group for ad services: campaign, ad group, keyword, match type, bid, negative, landing page, listing beside',
      query: z.object({ format: z.enum(['csv', 'json']).default('csv') }),
      answer: null,
      media: 'application/octet-stream',
    },
    async ({ params, query, context }) => {
      const draft = await draftById(database, params.id, params.draft);
      const project = await projectById(database, params.id);
      const texts = await keywordsById(database, draft.keywords);
      const unpaid = await organicOnly(database, params.id);
      const bids = (keptBids(draft.fields) ?? []).filter(({ keyword }) => !unpaid.has(keyword));
      const head = [project.name, draft.name];
      const landing = draft.fields['landing page'] ?? draft.address;
      const rows: Cell[][] = [
        ...bids.flatMap(({ keyword, match, bid }): Cell[][] => {
          const text = texts.get(keyword)?.text;
          return text === undefined ? [] : [[...head, text, match, bid, 'no', landing, '', '']];
        }),
        ...(draft.fields.negatives ?? '')
          .split('\n')
          .map((line) => line.trim())
          .filter(Boolean)
          .map((text): Cell[] => [...head, text, 'phrase', null, 'yes', '', '', '']),
        ...keptListings(draft.fields).map(({ address, reason }): Cell[] => [
          ...head,
          '',
          '',
          null,
          'no',
          landing,
          address,
          reason,
        ]),
      ];
      const { body, type } = writeTable(
        query.format,
        groupTable(draft.name, project.settings.currency, rows),
      );
      context.attachment(`${draft.name}.${query.format}`);
      context.type = type;
      context.body = body;
    },
  );
}

function groupTable(name: string, currency: string, rows: Cell[][]): Table {
  return {
    name,
    about: 'An ad group; docs/data-formats.md says what each column is',
    heads: [
      'campaign',
      'ad group',
      'keyword',
      'match type',
      `bid (${currency} a click)`,
      'negative',
      'landing page',
      'beside listing',
      'why',
    ],
    pages: (async function* () {
      yield await Promise.resolve(rows);
    })(),
  };
}
