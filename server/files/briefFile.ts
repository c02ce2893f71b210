import type { Draft } from '@opsimath/contract/api/drafts';
import type { DraftMaterial } from '@opsimath/contract/api/draftMaterial';
import { fieldsOfDraft } from '@opsimath/core/copy/draftFields';
import type { Limit } from '@opsimath/core/copy/draftFields';
import { draftCoverage, draftKeyword } from '@opsimath/core/copy/draftCoverage';
import { holdField } from '@opsimath/core/copy/heldFields';
import { quartilesOf } from '@opsimath/core/gap/resultFacts';
import { asMarkdown } from './markdown';

const MOST_KEYWORDS = 40;
const MOST_FRONT = 10;

/** A brief for a writer in Markdown: what the text is for, the words that it must have, its limits, and how the front writes. */
export function briefOf(draft: Draft, reason: string, material: DraftMaterial): string {
  const { keywords, language, front, banned, present } = draft;
  const [lead] = keywords;
  const fields = fieldsOfDraft(draft.kind, draft.limits as Record<string, Limit>);
  const wanted = keywords.map(({ key, volume }) => draftKeyword(key, volume ?? 0, language));
  const empty = draftCoverage([holdField('title', '', language)], wanted, language);
  const lengths = quartilesOf(
    'titles',
    front.map(({ title }) => [...title].length),
    null,
  );
  const forbidden = banned.filter(({ phrase }) => phrase !== '');
  return [
    `# Brief: ${asMarkdown(draft.name)}`,
    '',
    draft.address === '' ? `For a new ${draft.kind}.` : `For ${asMarkdown(draft.address)}.`,
    ...(reason === '' ? [] : ['', asMarkdown(reason)]),
    '',
    '## Lead keyword',
    lead
      ? `**${asMarkdown(lead.text)}**${lead.volume === null ? '' : `, searched about ${count(lead.volume)} times a month`}. It stands whole and first in the title.`
      : 'None yet.',
    '',
    '## Limits',
    ...fields.map(
      ({ name, limit, slots }) =>
        `- ${name}: at most ${count(limit.most)} ${limit.unit}${slots > 1 ? ` each, up to ${slots}` : ''}`,
    ),
    '',
    '## Words that it must have',
    empty.missing.map(({ word }) => asMarkdown(word)).join(', ') || 'None.',
    '',
    '## Keywords that it is to serve',
    ...keywords
      .slice(0, MOST_KEYWORDS)
      .map(
        ({ text, volume }) => `- ${asMarkdown(text)}${volume === null ? '' : ` (${count(volume)} a month)`}`,
      ),
    '',
    ...(forbidden.length > 0
      ? [
          '## Not to be used',
          ...forbidden.map(
            ({ phrase, reason: why }) => `- ${asMarkdown(phrase)}${why === '' ? '' : `: ${asMarkdown(why)}`}`,
          ),
          '',
        ]
      : []),
    ...(front.length > 0
      ? [
          '## How the first results write',
          ...(lengths
            ? [`Titles mostly have ${Math.round(lengths.low)} to ${Math.round(lengths.high)} characters.`]
            : []),
          ...front.slice(0, MOST_FRONT).map(({ position, title }) => `${position}. ${asMarkdown(title)}`),
          '',
        ]
      : []),
    ...part(
      '## Headings that they have',
      material.headings.slice(0, MOST_FRONT).map(({ text }) => text),
    ),
    ...part('## What people ask', material.questions),
    ...(material.words === null
      ? []
      : [`A result in the middle of the front has ${count(material.words)} words in all its fields.`, '']),
    ...part(
      '## Link to it from',
      material.links.map(({ address, title }) => `${title} (${address})`),
    ),
    ...part(
      '## To look up',
      material.sources.map(({ address, title }) => `${title} (${address})`),
    ),
    ...(present
      ? [
          '## What stands there now',
          `Title: ${asMarkdown(present.fields.title ?? '')}`,
          '',
          `Description: ${asMarkdown(present.fields.description ?? '')}`,
          '',
        ]
      : []),
    'Give it back as Markdown, HTML or DOCX: the title as the first heading, a line “Description: …”, then the text.',
    '',
  ].join('\n');
}

/** A list under a heading; nothing where it would be empty. */
const part = (heading: string, lines: readonly string[]): string[] =>
  lines.length === 0 ? [] : [heading, ...lines.map((line) => `- ${asMarkdown(line)}`), ''];

const count = (value: number): string => Math.round(value).toLocaleString('en-US');
