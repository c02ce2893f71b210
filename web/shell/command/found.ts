import type { KeywordList } from '@opsimath/contract/api/lists';
import type { LookUp } from '@opsimath/contract/api/lookUps';
import type { Note } from '@opsimath/contract/api/notes';
import type { Recipe } from '@opsimath/contract/api/sift';
import type { Target } from '@opsimath/contract/api/targets';
import { STAGE_PARTS, viewOf } from '../../state/stageParts';
import { count } from '../../parts/words/figures';
import { STAGES } from '../stages';
import { t } from '../../words/t';

/** Something that can be gone to: what it is called, what stands behind it, and where it is, below the project. */
export interface Found {
  key: string;
  name: string;
  of: string;
  path: string;
}
export interface FoundGroup {
  heading: string;
  found: Found[];
}

const MOST_OF_A_KIND = 6;

/** Everything of a project that has a name. */
export interface Named {
  targets: readonly Target[];
  lists: readonly KeywordList[];
  recipes: readonly Recipe[];
  lookUps: readonly LookUp[];
  reports: readonly { id: number; title: string }[];
  notes: readonly Note[];
}

const STAGES_HEADING = t('shell:found.stages');

/**
 * What holds some words, by kind: stages and their parts always, the rest once something was typed.
 * @param search the address as it stands, whose market and dates go along
 */
export function foundFor(typed: string, search: string, named: Named): FoundGroup[] {
  const words = typed.trim().toLowerCase();
  const holds = (...texts: string[]): boolean => texts.some((text) => text.toLowerCase().includes(words));
  const to = (stage: string, set: Record<string, string | null>): string => {
    const params = new URLSearchParams(search);
    for (const [name, value] of Object.entries({ view: null, ...set }))
      if (value === null || value === '') params.delete(name);
      else params.set(name, value);
    return `${stage}?${params}`;
  };
  const stages = STAGES.filter(({ name }) => holds(name)).map(({ path, name, letter }) => ({
    ...{ key: path, name, of: t('shell:found.gThenLetter', { letter }), path: to(path, {}) },
  }));
  if (words === '') return [{ heading: STAGES_HEADING, found: stages }];
  const parts = Object.entries(STAGE_PARTS).flatMap(([stage, of]) => {
    const { name } = STAGES.find(({ path }) => path === stage)!;
    return of
      .filter(({ label }) => holds(label, `${name} ${label}`))
      .map(({ value, label }) => ({
        ...{ key: `${stage} ${value}`, name: label, of: name },
        path: to(stage, { view: viewOf(stage as keyof typeof STAGE_PARTS, value) }),
      }));
  });
  const groups: FoundGroup[] = [
    { heading: STAGES_HEADING, found: stages },
    { heading: t('shell:found.partsOfStages'), found: parts },
    { heading: t('shell:found.method'), found: methodFound(holds, to) },
    {
      heading: t('shell:found.targets'),
      found: named.targets
        .filter(({ name, address }) => holds(name, address))
        .map(({ id, name, address }) => ({
          ...{ key: `target ${id}`, name, of: address, path: to('roster', { target: String(id) }) },
        })),
    },
    {
      heading: t('shell:found.lists'),
      found: named.lists
        .filter(({ name }) => holds(name))
        .map(({ id, name, market, keywords }) => ({
          ...{
            key: `list ${id}`,
            name,
            of: t('shell:found.keywordsKeywords', { keywords: count(keywords) }),
          },
          path: to('gaps', { market, list: String(id), pool: null, only: null }),
        })),
    },
    {
      heading: t('shell:found.recipes'),
      found: named.recipes
        .filter(({ name }) => holds(name))
        .map(({ id, name, steps }) => ({
          ...{ key: `recipe ${id}`, name, of: t('shell:found.stepsSieves', { steps: steps.length }) },
          path: to('sift', { recipe: String(id) }),
        })),
    },
    {
      heading: t('shell:found.lookUps'),
      found: named.lookUps
        .filter(({ name }) => holds(name))
        .map(({ id, name, market, date }) => ({
          ...{ key: `look-up ${id}`, name, of: date, path: to('look-up', { market, lookUp: String(id) }) },
        })),
    },
    {
      heading: t('shell:found.reports'),
      found: named.reports
        .filter(({ title }) => holds(title))
        .map(({ id, title }) => ({
          ...{
            key: `report ${id}`,
            name: title,
            of: '',
            path: to('report', { report: String(id) }),
          },
        })),
    },
    {
      heading: t('shell:found.notes'),
      found:
        words.length < 2
          ? []
          : named.notes
              .filter(({ text, about, person }) => holds(text, about, person))
              .map((note) => ({
                key: `note ${note.id}`,
                name: note.text,
                of: note.about,
                path: placeOf(note, to),
              })),
    },
  ];
  return groups
    .filter(({ found }) => found.length > 0)
    .map(({ heading, found }) => ({
      heading,
      found: heading === STAGES_HEADING ? found : found.slice(0, MOST_OF_A_KIND),
    }));
}

/** The pages that say how figures come about and what words mean. */
function methodFound(
  holds: (text: string) => boolean,
  to: (place: string, set: Record<string, string | null>) => string,
): Found[] {
  return [
    { key: 'method', name: t('shell:found.method'), of: '', path: to('method', {}) },
    { key: 'words', name: t('shell:found.wordsAndWhatTheyMean'), of: '', path: to('method/words', {}) },
  ].filter(({ name }) => holds(name));
}

/** Where the thing that a note is about can be seen. */
function placeOf(
  { subject, market }: Note,
  to: (stage: string, set: Record<string, string | null>) => string,
): string {
  const there: Record<string, string> = market === null ? {} : { market };
  if ('keyword' in subject) return to('gaps', { ...there, open: String(subject.keyword), pool: null });
  if (subject.on === 'target') return to('roster', { ...there, target: String(subject.target) });
  return to('roster', { ...there, view: subject.on === 'word' ? 'words' : null });
}
