import { z } from 'zod';

const searched = { volume: z.number().nullable() };

/** What the front and our own targets give to a draft: headings and questions, tags, where to link from and what to look up. */
export const draftMaterial = z.object({
  /** Results of the lead’s front whose whole public record is held, of how many. */
  recorded: z.int(),
  front: z.int(),
  /** Words of a result in the middle of the front: title, description and further fields together; `null` without records. */
  words: z.number().nullable(),
  /** Headings of the front, those that most results have first, each once whatever its capitals. */
  headings: z.array(z.object({ text: z.string(), results: z.int() })),
  /** Keywords of the market that ask something and hold the lead, or are the draft’s; the most searched first. */
  questions: z.array(z.string()),
  /** Own targets that speak of the lead and could link to this one. Whether they do already is not known. */
  links: z.array(z.object({ address: z.string(), title: z.string() })),
  /** Results that are neither ours nor a rival’s. */
  sources: z.array(z.object({ address: z.string(), title: z.string(), authority: z.number().nullable() })),
  /** Tags of the front’s results, with how many have each and our position for it as a keyword. */
  tags: z.array(
    z.object({
      key: z.string(),
      text: z.string(),
      results: z.int(),
      ...searched,
      position: z.int().nullable(),
    }),
  ),
  /** Other spellings of its keywords that people search for, for fields that nobody sees. */
  spellings: z.array(z.object({ key: z.string(), text: z.string(), of: z.string(), ...searched })),
});
export type DraftMaterial = z.infer<typeof draftMaterial>;
