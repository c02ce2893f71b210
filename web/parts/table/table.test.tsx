import { renderToStaticMarkup } from 'react-dom/server';
import { PositionWord } from '../words/PositionWord';
import { RateWord } from '../words/RateWord';
import { SideName } from '../words/SideName';
import { ChosenColumns } from './chosenColumns';
import { Ledger, type LedgerColumn } from './Ledger';

interface Row {
  name: string;
  clicks: number;
}
const COLUMNS: LedgerColumn<Row>[] = [
  { head: 'Query', cell: ({ name }) => <b>{name}</b> },
  {
    head: 'Clicks',
    tip: 'Exact.',
    sort: 'clicks',
    figure: true,
    cell: ({ clicks }) => clicks,
    title: ({ clicks }) => (clicks > 5 ? 'many' : undefined),
  },
];
const drawn = (rows: Row[], more: Partial<Parameters<typeof Ledger<Row>>[0]> = {}): string =>
  renderToStaticMarkup(<Ledger columns={COLUMNS} rows={rows} keyOf={({ name }) => name} {...more} />);

describe('a ledger', () => {
  test('has a head for every column and a line for every row, figures at the right', () => {
    const html = drawn([
      { name: 'bike bag', clicks: 3 },
      { name: 'pannier', clicks: 9 },
    ]);
    expect(html.match(/<th/g)).toHaveLength(2 + 1); // thead begins the same
    expect(html.match(/<tr/g)).toHaveLength(3);
    expect(html).toContain('<th class="figure"><span>Clicks</span></th>');
    expect(html).toContain('<td class="figure">3</td>');
    expect(html).toContain('<td class="figure" title="many">9</td>');
  });

  test('says which column it is sorted by, and which way', () => {
    const onOrder = (): void => undefined;
    const down = drawn([], { order: { sort: 'clicks', descending: true }, onOrder });
    expect(down).toContain('aria-sort="descending"');
    expect(down).toContain('↓');
    const up = drawn([], { order: { sort: 'clicks', descending: false }, onOrder });
    expect(up).toContain('aria-sort="ascending"');
    const other = drawn([], { order: { sort: 'name', descending: true }, onOrder });
    expect(other).not.toContain('aria-sort');
    expect(other).toContain('<button');
  });

  test('without a row it says so over its whole width; columns can be left out', () => {
    const html = drawn([], { columns: [...COLUMNS, false], empty: 'None of this choice.' });
    expect(html).toContain('<td colSpan="2" class="soft">None of this choice.</td>');
    expect(drawn([])).not.toContain('colSpan');
  });
});

describe('words of figures', () => {
  test('absent and unknown are words that stand back, a position is a figure', () => {
    expect(renderToStaticMarkup(<PositionWord of={4} />)).toBe('4');
    for (const word of ['absent', 'unknown'] as const)
      expect(renderToStaticMarkup(<PositionWord of={word} />)).toBe(`<span class="faint">${word}</span>`);
  });

  test('a rate tells its interval and whether it is thin; without a case it is unknown', () => {
    const rate = { rate: 0.5, low: 0.0945, high: 0.9055, thin: true };
    const html = renderToStaticMarkup(<RateWord of={rate} />);
    expect(html).toContain('95 % interval 9.5 %–90.6 %');
    expect(html).toContain('thin');
    expect(renderToStaticMarkup(<RateWord of={{ ...rate, thin: false }} />)).not.toContain('thin');
    expect(renderToStaticMarkup(<RateWord of={{ ...rate, rate: null }} />)).toContain('unknown');
  });

  test('a side is its letter and its name; we have no letter', () => {
    expect(renderToStaticMarkup(<SideName side={{ letter: 'C', name: 'Cobblemoor' }} />)).toBe(
      '<span class="no-break"><b>C </b>Cobblemoor</span>',
    );
    expect(renderToStaticMarkup(<SideName side={{ letter: null, name: 'Tarnwick' }} />)).toBe(
      '<span class="no-break">Tarnwick</span>',
    );
  });
});

describe('columns of choice', () => {
  const kept = new Map<string, string>();
  const columns = new ChosenColumns('test', [
    { id: 'volume', name: 'Volume' },
    { id: 'cpc', name: 'CPC' },
  ]);
  beforeAll(() => {
    Object.defineProperty(globalThis, 'localStorage', {
      configurable: true,
      value: {
        getItem: (name: string) => kept.get(name) ?? null,
        setItem: (name: string, value: string) => void kept.set(name, value),
      },
    });
  });
  afterAll(() => Reflect.deleteProperty(globalThis, 'localStorage'));

  test('nothing chosen shows nothing more; a choice is kept for its project alone', () => {
    expect(columns.shown(1, [])).toEqual([]);
    columns.remember(1, ['cpc']);
    expect(columns.shown(1, [])).toEqual(['cpc']);
    expect(columns.shown(2, [])).toEqual([]);
  });

  test('the address goes before what was kept; names that are not known are passed over', () => {
    columns.remember(1, ['cpc']);
    expect(columns.shown(1, ['volume', 'gone'])).toEqual(['volume']);
    kept.set('opsimath.test-columns.1', 'gone,volume');
    expect(columns.shown(1, [])).toEqual(['volume']);
  });
});
