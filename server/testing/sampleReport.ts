import type { LaneCell, ReportContent, ReportRow } from '@opsimath/contract/api/reportContent';

/** Texts that have broken files before: formulas, scripts, letters from right to left, signs of several parts, half signs. */
export const NASTY = [
  '=HYPERLINK("http://x.example","press")',
  '+1+1',
  '@SUM(A1:A9)',
  '-2+3',
  '<script>alert(1)</script>',
  '"><img src=x onerror=alert(1)>',
  '</script><script>alert(2)</script>',
  'תיק אופניים עמיד',
  'حقيبة دراجة هوائية',
  'bag 🎒 for 👨‍👩‍👧‍👦 bikes 🚲',
  'Fahrradtasche für Größe ß',
  'сумка для велосипеда',
  '自転車バッグ',
  'half \ud83d sign',
  'zero\u0000and\u0007bell',
  'line\r\nbreak\tand tab',
  '| pipe | in | table |',
  '[link](javascript:alert(1))',
  'x'.repeat(300),
  '​‮turned',
] as const;

/** A report with every kind of block. @param names of its rows, besides the usual ones */
// eslint-disable-next-line max-lines-per-function -- one report, written out
export function sampleReport(names: readonly string[] = [], rows = 3): ReportContent {
  const lane: LaneCell = {
    ...{ own: 12, before: 30, paid: 'absent' },
    ...{ rivals: [3, 'absent'], rivalsPaid: [2, 'absent'] },
  };
  const plain: ReportRow[] = Array.from({ length: rows }, (_, n) => ({
    key: `g${n}`,
    cells: [`waterproof bag ${n}`, lane, 1234.5 + n, 0.256, 98.76, n % 2 === 0 ? 12 : 'absent', '2026-03-14'],
    below: [`Retitle it, number ${n}.`],
    sums: `sums:w${n}`,
  }));
  const nasty: ReportRow[] = names.map((name, n) => ({
    key: `n${n}`,
    cells: [name, null, n, null, null, 'unknown', name],
    below: [name],
  }));
  return {
    version: 1,
    title: names.length > 0 ? `Report ${names.join(' ')}`.slice(0, 200) : 'Report on Tarnwick',
    logo: 'data:image/png;base64,iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mNk+M9QDwADhgGAWjR9awAAAABJRU5ErkJggg==',
    accent: '#7a3b2e',
    project: 'Tarnwick',
    market: 'United States, English, web',
    date: '2026-03-14',
    compare: '2025-12-14',
    scope: 'all keywords of the project',
    front: 10,
    currency: 'USD',
    own: 'Tarnwick',
    rivals: [
      { letter: 'C', name: 'Cobblemoor' },
      { letter: 'S', name: names[0] ?? 'Saltfen' },
    ],
    figures: { 'a.all': { shown: '11,969', row: 'gaps:g0' } },
    sections: [
      {
        id: 'short-1',
        kind: 'summary',
        heading: 'In short',
        blocks: [
          {
            kind: 'text',
            written: true,
            passages: [
              {
                kind: 'paragraph',
                runs: [{ text: 'Of ' }, { text: '11,969', figure: 'a.all' }, { text: ' keywords.' }],
              },
              { kind: 'item', runs: [{ text: names[4] ?? 'first', bold: true }] },
              { kind: 'item', runs: [{ text: 'second', italic: true }] },
            ],
          },
        ],
      },
      {
        id: 'gaps-2',
        kind: 'gaps',
        heading: 'The gaps',
        blocks: [
          {
            kind: 'table',
            id: 'gaps',
            title: 'The gaps',
            columns: [
              { key: 'keyword', name: 'Keyword', kind: 'text' },
              { key: 'lane', name: 'Where everybody stands', kind: 'lane' },
              { key: 'demand', name: 'Searches', kind: 'count', tip: 'Estimated.' },
              { key: 'chance', name: 'Chance', kind: 'share' },
              { key: 'adds', name: 'Adds a month, USD', kind: 'money' },
              { key: 'own', name: 'Position', kind: 'position' },
              { key: 'day', name: 'Day', kind: 'day' },
            ],
            rows: [...plain, ...nasty],
            caption: 'All estimated.',
            empty: 'None.',
          },
          {
            kind: 'table',
            id: 'nothing',
            title: 'Nothing here',
            columns: [],
            rows: [],
            empty: 'None at all.',
          },
        ],
      },
      {
        id: 'course-3',
        kind: 'course',
        heading: 'Over time',
        blocks: [
          {
            kind: 'chart',
            id: 'course',
            title: 'Visibility',
            unit: 'share',
            days: ['2026-03-01', '2026-03-02', '2026-03-05', '2026-03-06'],
            lines: [
              { name: 'Tarnwick', letter: null, values: [0.1, 0.2, null, 0.15] },
              { name: 'Cobblemoor', letter: 'C', values: [null, null, null, null] },
            ],
            marks: [{ day: '2026-03-02', text: names[5] ?? 'edit' }],
          },
          {
            kind: 'example',
            id: 'example-1',
            keyword: names[9] ?? 'canvas pannier',
            lane,
            facts: [{ name: 'Adds a month', value: '98', sums: 'sums:w0' }],
            reason: 'A rival stands at 3.',
            remedy: names[17] ?? 'Retitle.',
          },
        ],
      },
      {
        id: 'sums',
        kind: 'sums',
        heading: 'How the sums were made',
        blocks: [
          {
            kind: 'table',
            id: 'sums',
            title: 'What the sums are made of',
            columns: [
              { key: 'work', name: 'Work', kind: 'text' },
              { key: 'adds', name: 'Adds', kind: 'money' },
            ],
            rows: plain.map((_, n) => ({ key: `w${n}`, cells: [`work ${n}`, 98.76] })),
            empty: 'None.',
          },
        ],
      },
    ],
  };
}
