import {
  translationAnswer,
  translationAsk,
  variantChoices,
  variantChoicesAnswer,
  variantPage,
  variantQuery,
} from '@opsimath/contract/api/variants';
import { lookUpById } from '../data/lookUps';
import { projectById } from '../data/projects';
import { chooseVariants } from '../data/variantChoices';
import { translateKeywords } from '../lookups/translateKeywords';
import type { Routes } from './route';
import type { Services } from './services';

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
      const { asked, units, known } = await translateKeywords({ database, source }, into, keywords, date);
      return {
        asked,
        units,
        translations: [...known].map(([keyword, text]) => ({ keyword, text: text || null })),
      };
    },
  );
}
