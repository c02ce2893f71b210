import {
  translationAnswer,
  translationAsk,
  variantChoices,
  variantChoicesAnswer,
  variantPage,
  variantQuery,
} from '@opsimath/contract/api/variants';
import type { Language } from '@opsimath/core/text/stems';
import { keywordsById } from '../data/keywords';
import { lookUpById } from '../data/lookUps';
import { projectById } from '../data/projects';
import { heldTranslations, keepTranslations } from '../data/translations';
import { chooseVariants } from '../data/variantChoices';
import { payOnce } from '../data/paidRequests';
import type { Routes } from './route';
import type { Services } from './services';

const AT_ONCE = 500;

/** Spellings, close variants and second languages of the same thing. */
export function variantRoutes(routes: Routes, { database, analysis, source }: Services): void {
  routes.add(
    {
      method: 'post',
      path: '/look-ups/:id/sift/variants',
      summary: 'What comes through a recipe in groups of variants, the most searched together first',
      body: variantQuery,
      answer: variantPage,
    },
    ({ params, body }) => analysis.variantPage(params.id, body),
  );
  routes.add(
    {
      method: 'post',
      path: '/projects/:id/variants',
      summary: 'Put keywords under another by hand, set them apart, or leave them to the method again',
      body: variantChoices,
      answer: variantChoicesAnswer,
    },
    async ({ params, body }) => {
      await projectById(database, params.id);
      return { before: await chooseVariants(database, params.id, body.choices) };
    },
  );
  routes.add(
    {
      method: 'post',
      path: '/look-ups/:id/translations',
      summary:
        'What keywords say in another language; what is held costs nothing, the rest 1 unit for each 100',
      body: translationAsk,
      answer: translationAnswer,
    },
    async ({ params, body: { into, keywords } }) => {
      const { date } = await lookUpById(database, params.id);
      const ids = keywords.map(({ keyword }) => keyword);
      const held = await heldTranslations(database, ids, into);
      const wanted = keywords.filter(({ keyword, from }) => !held.has(keyword) && from !== into);
      const texts = await keywordsById(
        database,
        wanted.map(({ keyword }) => keyword),
      );
      let units = 0;
      for (const from of new Set(wanted.map((entry) => entry.from))) {
        const of = wanted.filter((entry) => entry.from === from && texts.has(entry.keyword));
        for (let at = 0; at < of.length; at += AT_ONCE)
          units += await translate(
            of.slice(at, at + AT_ONCE).map(({ keyword }) => keyword),
            from,
          );
      }
      async function translate(some: number[], from: Language): Promise<number> {
        const request = await payOnce(database, {
          marketId: 0,
          date,
          kind: 'translations',
          detail: `${from} ${into} ${some.join(',')}`,
        });
        const answer = await source.translations({
          requestId: request.requestId,
          date,
          from,
          to: into,
          texts: some.map((id) => texts.get(id)!.text),
        });
        const said = new Map(answer.translations.map(({ text, translation }) => [text, translation]));
        await keepTranslations(
          database,
          into,
          source.name,
          some.map((id) => ({ keyword: id, text: said.get(texts.get(id)!.text) ?? null })),
          [request.settled],
        );
        return answer.units;
      }
      const all = await heldTranslations(database, ids, into);
      return {
        asked: wanted.length,
        units,
        translations: [...all].map(([keyword, text]) => ({ keyword, text: text || null })),
      };
    },
  );
}
