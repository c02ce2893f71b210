import type { ComparisonScope } from '@opsimath/contract/api/gapQuery';
import {
  type ContentSection,
  type FrozenContent,
  type KeptGap,
  type ReportBlock,
  type ReportContent,
  type ReportTable,
  REPORT_VERSION,
} from '@opsimath/contract/api/reportContent';
import type { ReportDocument, Section, SectionKind } from '@opsimath/contract/api/reports';
import { type TextPassage, withPresentFigures } from '@opsimath/core/report/passages';
import { GAP_KINDS } from '@opsimath/core/gap/kind';
import { isAuditRoom } from '../../data/audits';
import { keywordsById } from '../../data/keywords';
import { listById } from '../../data/lists';
import { listLookUps } from '../../data/lookUpList';
import { KnownProblem } from '../../problems/problem';
import type { Comparison } from '../comparison/comparison';
import { openComparison } from '../comparison/openComparison';
import { positionOf } from '../facts/positionOf';
import type { Workspace } from '../kept/workspace';
import { authority } from './authority';
import { blocks } from './blocks';
import { course } from './course';
import { effects } from './effects';
import { examples } from './examples';
import { Figures } from './figures';
import { first } from './first';
import { gaps } from './gaps';
import { glossary } from './glossary';
import { type ReportGround, type WriteSection, type Written, nothingToSay, onceEach } from './ground';
import { holds } from './holds';
import { kinds } from './kinds';
import { months } from './months';
import { movers } from './movers';
import { near } from './near';
import { paid } from './paid';
import { quality } from './quality';
import { round } from './round';
import { standing } from './standing';
import { Sums } from './sums';
import { titles } from './titles';
import { toldOfAnother } from './toldOfAnother';
import { words } from './words';

const nothing: WriteSection = () => Promise.resolve({ short: [], blocks: [] });
/** What writes each kind of section; a summary is written from what the others say. */
const WRITERS: Record<SectionKind, WriteSection> = {
  ...{ summary: nothing, note: nothing },
  ...{ standing, kinds, first, gaps, examples, paid, movers, course, effects, round, months },
  ...{ holds, near, titles, words, blocks, authority, glossary, quality },
};

/** A report as its reader sees it, made from the figures as they are at a date. */
export async function writeReport(
  workspace: Workspace,
  projectId: number,
  document: ReportDocument,
  scope: ComparisonScope,
): Promise<ReportContent> {
  const { comparison, revisions } = await openComparison(workspace, projectId, scope);
  const figures = new Figures();
  const sums = new Sums(comparison);
  const ground: ReportGround = {
    ...{ workspace, projectId, scope, comparison, revisions, figures, sums },
    once: onceEach(),
  };
  const written = new Map<string, Written>();
  for (const section of document.sections) written.set(section.id, await writtenSection(ground, section));
  const isAudit = await isAuditRoom(workspace.database, projectId);
  const sections = document.sections
    .map((section) => toldSection(section, written))
    .map((section) => (isAudit ? toldOfAnother(section) : section));
  const { currency, front } = comparison.project.settings;
  const explained = sums.table(currency);
  if (explained) sections.push(atEnd('sums', 'How the sums were made', explained));
  const settled = figures.settle(sections.flatMap(({ blocks: all }) => all.filter(isTable)));
  if (settled.rest) sections.push(atEnd('figures', 'Other figures of the text', settled.rest));
  const { project, market, date, compareDate, sides } = comparison;
  return {
    version: REPORT_VERSION,
    title: document.title === '' ? `Report on ${sides.ownName || project.name}` : document.title,
    logo: document.logo,
    accent: document.accent,
    project: project.name,
    market: `${market.placeName}, ${market.languageName}, ${market.surface}`,
    date,
    compare: compareDate,
    scope: await scopeInWords(workspace, projectId, scope),
    front,
    currency,
    own: sides.ownName,
    rivals: sides.rivals.map(({ letter, name }) => ({ letter, name })),
    sections: sections.map((section) => withPresent(section, settled.figures)),
    figures: settled.figures,
  };
}

/** A section over the keywords of its list, where it has one; else over those that are compared. */
async function writtenSection(ground: ReportGround, section: Section): Promise<Written> {
  const { list } = section.settings;
  const write = WRITERS[section.kind];
  if (typeof list !== 'number') return write(ground, section);
  const { pool: _, only: __, ...rest } = ground.scope;
  const scope = { ...rest, list };
  try {
    const { comparison } = await openComparison(ground.workspace, ground.projectId, scope);
    return await write({ ...ground, scope, comparison, once: onceEach() }, section);
  } catch (error) {
    // A report outlives its lists, and can be looked at in another market.
    if (error instanceof KnownProblem && LISTS_GONE.has(error.code))
      return nothingToSay('Its list is gone, or belongs to another market.');
    throw error;
  }
}

const LISTS_GONE = new Set(['no-such-list', 'list-of-another-market']);

/** The same with the comparison under it, as it is frozen. */
export async function writeFrozen(
  workspace: Workspace,
  projectId: number,
  document: ReportDocument,
  scope: ComparisonScope,
): Promise<FrozenContent> {
  const content = await writeReport(workspace, projectId, document, scope);
  const { comparison } = await openComparison(workspace, projectId, scope);
  return { content, gaps: await keptGaps(workspace, comparison) };
}

function toldSection(
  { id, kind, heading, text }: Section,
  all: ReadonlyMap<string, Written>,
): ContentSection {
  const { blocks: own } = all.get(id)!;
  const summed = kind === 'summary' ? [...all.values()].flatMap(({ short }) => short) : [];
  const passages = text ?? summed;
  const isText = passages.length > 0 || kind === 'summary' || kind === 'note';
  return {
    id,
    kind,
    heading,
    blocks: [...(isText ? [{ kind: 'text' as const, passages, written: text === null }] : []), ...own],
  };
}

const atEnd = (id: string, heading: string, table: ReportTable): ContentSection => ({
  id,
  kind: id,
  heading,
  blocks: [table],
});
const isTable = (block: ReportBlock): block is ReportTable => block.kind === 'table';

function withPresent(section: ContentSection, figures: ReportContent['figures']): ContentSection {
  return {
    ...section,
    blocks: section.blocks.map((block) =>
      block.kind === 'text'
        ? { ...block, passages: withPresentFigures(block.passages as TextPassage[], figures) }
        : block,
    ),
  };
}

async function scopeInWords(
  { database }: Workspace,
  projectId: number,
  { pool, list, only }: ComparisonScope,
): Promise<string> {
  if (list !== undefined) return `the list ${(await listById(database, projectId, list)).name}`;
  if (only === 'tracked') return 'the keywords that are followed';
  if (pool === undefined) return 'all keywords of the project';
  const [lookUp] = await listLookUps(database, projectId, pool);
  return lookUp ? `look-up ${lookUp.name} of ${lookUp.date}` : `look-up ${pool}`;
}

/** Of a larger comparison the most searched are kept: a file for a reader, not a copy of the market. */
const MOST_KEPT = 200_000;

/** Keywords compared, as they stand. */
async function keptGaps({ database }: Workspace, comparison: Comparison): Promise<KeptGap[]> {
  const { keywords, columns, gaps: found } = comparison;
  const known = (value: number): number | null => (Number.isNaN(value) ? null : value);
  let kept = Int32Array.from(keywords.keys());
  if (kept.length > MOST_KEPT)
    kept = kept
      .sort((a, b) => (columns.expectedVolume[b]! || 0) - (columns.expectedVolume[a]! || 0) || a - b)
      .slice(0, MOST_KEPT)
      .sort();
  const ids = kept.map((i) => keywords[i]!);
  const texts = await keywordsById(database, ids);
  return Array.from(kept, (i, n): KeptGap => {
    const rivals = columns.rivalOrganic.map((column) => column[i]!).filter((position) => position !== 0);
    return [
      texts.get(ids[n]!)!.text,
      GAP_KINDS[found.kind[i]!]!,
      positionOf(columns.ownOrganic[i]!),
      positionOf(columns.ownPaid[i]!),
      positionOf(rivals.length === 0 ? 0 : Math.min(...rivals)),
      known(columns.expectedVolume[i]!),
      known(found.worthAMonth[i]!),
    ];
  });
}
