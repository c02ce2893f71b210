import { readFileSync } from 'node:fs';
import { sourceMarket } from '@opsimath/contract/source/answers';
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
  languages: z.record(z.string(), vocabulary),
});

export type Scenario = z.infer<typeof scenarioSchema>;
export type ScenarioMarket = Scenario['markets'][number];
export type Vocabulary = z.infer<typeof vocabulary>;

export function readScenario(file: string): Scenario {
  return scenarioSchema.parse(JSON.parse(readFileSync(file, 'utf8')));
}
