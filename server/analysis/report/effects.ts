import type { ChangeEffect } from '@opsimath/contract/api/watch';
import type { ReportTable } from '@opsimath/contract/api/reportContent';
import { say } from '@opsimath/core/report/passages';
import { shown, spelledDay } from '@opsimath/core/shown';
import { effects as effectsOf } from '../questions/effects';
import { type WriteSection, nothingToSay } from './ground';

const USUAL = 30;

/** What was changed, and what each change did beside keywords like its own. */
export const effects: WriteSection = async ({ workspace, projectId, scope, figures }, { id, settings }) => {
  const { market, date } = scope;
  const view = await effectsOf(workspace, projectId, { market, date });
  const changes = view.changes.slice(0, settings.most ?? USUAL);
  if (changes.length === 0) return nothingToSay('Nothing has been changed yet.');
  const { told, gained } = outcomes(changes);
  const table = `effects-${id}`;
  return {
    short: [
      say`Of ${figures.of(`${id}.changes`, 'count', changes.length, `${table}:all`, 'changes made')} changes ${figures.of(`${id}.told`, 'count', told.length, `${table}:all`, 'changes whose effect can be told')} can be told; ${figures.of(`${id}.gained`, 'count', gained.length, `${table}:all`, 'changes that gained for certain')} gained beyond doubt.`,
    ],
    blocks: [effectTable(table, changes, view.currency)],
  };
};

function outcomes(changes: readonly ChangeEffect[]): { told: ChangeEffect[]; gained: ChangeEffect[] } {
  return {
    told: changes.filter(({ effect }) => effect.state === 'told'),
    gained: changes.filter(({ effect }) => effect.state === 'told' && effect.low > 0),
  };
}

function effectTable(id: string, changes: readonly ChangeEffect[], currency: string): ReportTable {
  const { told, gained } = outcomes(changes);
  return {
    kind: 'table',
    id,
    title: 'Changes and their effects',
    columns: [
      { key: 'change', name: 'Change', kind: 'text' },
      { key: 'day', name: 'Day', kind: 'day' },
      { key: 'keywords', name: 'Keywords', kind: 'count' },
      {
        key: 'effect',
        name: 'Effect',
        kind: 'text',
        tip: 'Beside keywords like its own; 95 of 100 such ranges hold the truth.',
      },
      { key: 'lasting', name: 'Later', kind: 'text' },
      { key: 'clicks', name: 'Clicks a month', kind: 'text' },
      { key: 'foretold', name: 'Foretold', kind: 'count' },
      { key: 'worth', name: `Worth a month, ${currency}`, kind: 'text' },
    ],
    rows: [
      ...changes.map((change) => ({
        key: `c${change.id}`,
        cells: [
          `${change.kind}: ${change.keywords[0]?.text ?? change.address}`,
          change.date,
          change.keywords.length,
          ...toldCells(change),
        ],
        below: [
          change.address,
          ...(change.note === '' ? [] : [change.note]),
          ...(change.mixedWith.length === 0
            ? []
            : ['mixed with other changes of the same target: the effect is joint']),
        ],
      })),
      {
        key: 'all',
        cells: [
          `${changes.length} changes`,
          '',
          null,
          `${told.length} can be told, ${gained.length} gained beyond doubt`,
          '',
          '',
          null,
          '',
        ],
      },
    ],
    caption:
      'An effect of 0.7 halves a position: 10 becomes 5. Ranges hold the truth in 95 of 100 cases. Worth is those clicks × the worth of a click of each keyword.',
    empty: 'None.',
  };
}

function toldCells({ effect, foretold }: ChangeEffect): (string | number | null)[] {
  if (effect.state === 'lacking') {
    const ready = effect.ready === null ? '' : `, ready on ${spelledDay(effect.ready)}`;
    return [`not yet: lacks ${effect.lacks}${ready}`, '', '', foretold, ''];
  }
  const range = (kind: 'decimal' | 'money', { low, high }: { low: number; high: number }): string =>
    `${shown(kind, low)} to ${shown(kind, high)}`;
  return [
    `${shown('decimal', effect.effect, 2)} (${shown('decimal', effect.low, 2)} to ${shown('decimal', effect.high, 2)}; p ${shown('decimal', effect.p, 3)})`,
    effect.lasting,
    `${shown('decimal', effect.clicks.middle)} (${range('decimal', effect.clicks)})`,
    foretold,
    `${shown('money', effect.worth.middle)} (${range('money', effect.worth)})`,
  ];
}
