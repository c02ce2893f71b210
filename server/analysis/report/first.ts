import type { GapRow } from '@opsimath/contract/api/gaps';
import { say } from '@opsimath/core/report/passages';
import { entryOf } from '../comparison/comparison';
import { gapRows } from '../comparison/gapRow';
import { warned } from './keywordTable';
import { type WriteSection, firstWork, laneOf, nothingToSay } from './ground';

const USUAL = 20;

/** What to do first: pieces of work in the order of what they add for a day. */
export const first: WriteSection = async (ground, { id, settings }) => {
  const { comparison, workspace, figures, sums } = ground;
  const most = settings.most ?? USUAL;
  const work = await firstWork(ground, most);
  const { lines, currency } = work;
  if (lines.length === 0)
    return nothingToSay('Nothing that can be done would add anything, by what is known so far.');
  const whole = comparison.whole ?? comparison;
  const rows = new Map<number, GapRow>();
  const entries = lines.map(({ lead }) => entryOf(whole, lead.id)).filter((entry) => entry >= 0);
  for (const row of await gapRows(workspace.database, whole, entries)) rows.set(row.id, row);
  const table = `work-${id}`;
  const [value, days] = lines.reduce(([sum, time], line) => [sum + line.value, time + line.effort], [
    0, 0,
  ] as [number, number]);
  const [best] = lines;
  return {
    short: [
      say`The first ${figures.of(`${id}.lines`, 'count', lines.length, `${table}:all`, 'pieces of work listed')} pieces of work would add about ${figures.of(`${id}.value`, 'money', value, `${table}:all`, 'what they add a month')} ${currency} a month for ${figures.of(`${id}.days`, 'decimal', days, `${table}:all`, 'days of work')} days of work (estimated).`,
      say`The first thing to do: ${best!.action} for “${best!.lead.text}”.`,
    ],
    blocks: [
      {
        kind: 'table',
        id: table,
        title: 'What to do first',
        columns: [
          { key: 'work', name: 'Work and reason', kind: 'text' },
          { key: 'lane', name: 'Where everybody stands', kind: 'lane' },
          {
            key: 'clicks',
            name: 'Clicks added',
            kind: 'count',
            tip: 'A month, on all keywords that it serves. Estimated.',
          },
          {
            key: 'adds',
            name: `Adds a month, ${currency}`,
            kind: 'money',
            tip: 'Each gain counted once. Estimated.',
          },
          { key: 'days', name: 'Days', kind: 'decimal', digits: 2 },
          { key: 'priority', name: 'For a day', kind: 'money' },
        ],
        rows: [
          ...lines.map((line) => {
            const row = rows.get(line.lead.id);
            return {
              key: `w${line.lead.id}-${line.action.replace(/\W+/g, '-')}`,
              cells: [
                `${line.lead.text}: ${line.action}`,
                row ? laneOf(row) : null,
                Math.round(line.clicks),
                line.value,
                line.effort,
                line.priority,
              ],
              below: [
                line.reason,
                ...(line.target === null ? [] : [line.target.address]),
                ...(line.title === null || line.target === null ? [] : [`Its title could be: ${line.title}`]),
                ...(row?.warnings.map(warned) ?? []),
                ...(line.words.length === 0 ? [] : [`Words to add: ${line.words.join(', ')}`]),
              ],
              sums: sums.ofWork(line),
            };
          }),
          {
            key: 'all',
            cells: [
              'all together',
              null,
              Math.round(lines.reduce((sum, line) => sum + line.clicks, 0)),
              value,
              days,
              days > 0 ? value / days : null,
            ],
          },
        ],
        empty: 'Nothing.',
      },
    ],
  };
};
