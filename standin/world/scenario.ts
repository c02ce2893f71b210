import { readFileSync } from 'node:fs';
import path from 'node:path';
import { sourceMarket, surface } from '@opsimath/contract/source/answers';
import { z } from 'zod';

const weighted = z.array(z.tuple([z.string(), z.number().positive()]));
const forms = z.array(z.string());
const product = z.object({
  one: z.string(),
  many: z.string(),
  weight: z.number(),
  cpc: z.number(),
  season: z.string(),
});
const range = z.tuple([z.number(), z.number()]);

/** What a surface says in its own way: videos and listings. */
const surfaceForms = z.object({
  keywordForms: weighted,
  titles: z.union([forms, z.record(z.string(), forms)]),
  bullets: forms.default([]),
  descriptions: forms,
  tags: forms,
  hidden: forms.default([]),
  channelKeywords: forms.default([]),
});

const vocabulary = z.object({
  products: z.array(product).min(2),
  attributes: weighted,
  materials: weighted,
  uses: weighted,
  fittings: weighted,
  sizes: weighted,
  colours: weighted,
  places: weighted,
  years: weighted,
  misspellings: z.record(z.string(), z.string()),
  synonyms: z.record(z.string(), z.string()),
  /** Words of keywords that ask rather than buy. */
  askingWords: forms,
  keywordForms: weighted,
  titleForms: z.record(z.string(), forms),
  descriptionForms: forms,
  headingForms: forms,
  sentenceForms: forms,
  models: z.array(z.string()),
  /** Words between the listed ones, from the first language into this one. */
  functionWords: z.record(z.string(), z.string()).default({}),
  video: surfaceForms.optional(),
  marketplace: surfaceForms.optional(),
});

const scenarioSchema = z.object({
  name: z.string(),
  today: z.iso.date(),
  own: z.string(),
  currency: z.string(),
  markets: z
    .array(sourceMarket.extend({ keywords: z.int().positive(), topVolume: z.number().positive() }))
    .min(1),
  seasons: z.record(z.string(), z.array(z.number()).length(12)),
  owners: z.array(
    z.object({
      name: z.string(),
      host: z.string(),
      kind: z.string(),
      authority: z.number(),
      pages: z.int(),
      advertises: z.number(),
      breadth: z.number(),
    }),
  ),
  ownerKinds: z.record(
    z.string(),
    z.object({
      authority: range,
      pages: range,
      mix: z.record(z.string(), z.number()),
      advertises: z.number(),
    }),
  ),
  ownerNames: z.record(z.string(), z.array(z.string())),
  /** Where videos and listings live, which kinds of owner have them and how many each. */
  surfaces: z
    .partialRecord(
      surface,
      z.object({
        platform: z.string(),
        kinds: z.record(z.string(), range),
        mix: z.record(z.string(), z.record(z.string(), z.number())).default({}),
      }),
    )
    .default({}),
  /** Authority and number of videos or listings of the named owners. */
  named: z.partialRecord(surface, z.record(z.string(), range)).default({}),
  /** Places with a language of their own: the share of pages that owners have there. */
  places: z.record(z.string(), z.object({ language: z.string(), share: z.number() })).default({}),
  /** Towns in which web search can be asked apart: `at` is latitude and longitude, `share` of the place's searches. */
  towns: z
    .record(
      z.string(),
      z.array(
        z.object({
          name: z.string(),
          region: z.string(),
          postcodes: z.array(z.string()),
          at: z.tuple([z.number(), z.number()]),
          share: z.number().positive().max(1),
        }),
      ),
    )
    .default({}),
  /** Price of one unit of the scenario's currency. */
  currencies: z.record(z.string(), z.number()).default({}),
  category: z.string().default('Everything'),
  /** Categories of the marketplace by index of product; `curve`: whether the source says how many are sold at a rank. */
  categories: z
    .array(z.object({ name: z.string(), products: z.array(z.int()), curve: z.boolean().default(true) }))
    .default([]),
  languages: z.record(z.string(), vocabulary),
});

const scenarioFile = z.looseObject({ languages: z.record(z.string(), z.union([z.string(), vocabulary])) });

export type Scenario = z.infer<typeof scenarioSchema>;
export type ScenarioMarket = Scenario['markets'][number];
export type Vocabulary = z.infer<typeof vocabulary>;

/** A language may stand in the file itself or in a file of its own beside it. Gives the text of all files, for naming caches. */
export function readScenario(file: string): { scenario: Scenario; text: string } {
  const text = [readFileSync(file, 'utf8')];
  const whole = scenarioFile.parse(JSON.parse(text[0]!));
  const languages = Object.entries(whole.languages).map(([language, entry]) => {
    if (typeof entry !== 'string') return [language, entry] as const;
    const part = readFileSync(path.join(path.dirname(file), entry), 'utf8');
    text.push(part);
    return [language, JSON.parse(part) as unknown] as const;
  });
  const scenario = scenarioSchema.parse({ ...whole, languages: Object.fromEntries(languages) });
  return { scenario, text: text.join('\n') };
}
