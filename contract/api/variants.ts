import { VARIANT_LINKS } from '@opsimath/core/sift/variantGroups';
import { LANGUAGES } from '@opsimath/core/text/languages';
import { z } from 'zod';
import { siftQuery } from './sift';
import { verdict } from './judgements';

export const language = z.enum(LANGUAGES);
export type { Language } from '@opsimath/core/text/languages';

/** What comes through a recipe in groups of variants; only groups of two and more. */
export const variantQuery = siftQuery
  .pick({ steps: true, rescued: true, offset: true, find: true })
  .extend({ limit: z.int().min(1).max(200).default(50) });
export type VariantQuery = z.input<typeof variantQuery>;

const variant = z.object({
  id: z.int(),
  text: z.string(),
  volume: z.number().nullable(),
  verdict,
  /** How it belongs to the main keyword. */
  link: z.enum(VARIANT_LINKS),
  /** Best organic position of any looked-up target. */
  best: z.int().nullable(),
  translation: z.string().nullable(),
});
export const variantPage = z.object({
  /** Groups of two and more, and those of them that the find leaves. */
  groups: z.int(),
  total: z.int(),
  /** Keywords that came through, those of them that are in such a group, and those of another language untranslated. */
  keywords: z.int(),
  grouped: z.int(),
  untranslated: z.array(z.object({ keyword: z.int(), from: language })),
  rows: z.array(
    z.object({
      /** Searches a month of all members, and the most of one. */
      volume: z.number(),
      /** The main keyword first, then the most searched first. */
      members: z.array(variant),
      keywords: z.int(),
    }),
  ),
});
export type VariantPage = z.infer<typeof variantPage>;

/** Decides by hand under which keyword others belong; under itself is apart, `null` leaves it to the method. */
export const variantChoices = z.object({
  choices: z
    .array(z.object({ keyword: z.int(), under: z.int().nullable() }))
    .min(1)
    .max(1000),
});
export type VariantChoices = z.infer<typeof variantChoices>;
/** What stood before, so that it can be taken back. */
export const variantChoicesAnswer = z.object({ before: variantChoices.shape.choices });

/** Keywords to be translated, each from its language; what is held is not asked for again. */
export const translationAsk = z.object({
  into: language,
  keywords: z
    .array(z.object({ keyword: z.int(), from: language }))
    .min(1)
    .max(5000),
});
export type TranslationAsk = z.infer<typeof translationAsk>;
export const translationAnswer = z.object({
  /** Asked for now, and units that were charged. */
  asked: z.int(),
  units: z.int(),
  translations: z.array(z.object({ keyword: z.int(), text: z.string().nullable() })),
});
export type TranslationAnswer = z.infer<typeof translationAnswer>;
