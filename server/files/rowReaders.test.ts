import { type FileReading, IMPORT_KINDS, type ImportKind, fieldsOf } from '@opsimath/contract/api/imports';
import fc from 'fast-check';
import { rowReader } from './rowReaders';

const DAY = Date.parse('2026-03-14') / 86_400_000;

/** A reading whose columns stand in the order of the kind's fields. */
function readingOf(kind: ImportKind, change: Partial<FileReading> = {}): FileReading {
  const fields = fieldsOf(kind);
  return {
    kind,
    format: 'delimited',
    encoding: 'utf-8',
    delimiter: ',',
    headerLine: 1,
    headers: [...fields],
    columns: Object.fromEntries(fields.map((field, column) => [field, column])),
    decimalComma: false,
    dateOrder: 'year first',
    fixedDate: null,
    remembered: false,
    ...change,
  };
}
/** The cells of a row by field, in the order of the reading. */
function cells(reading: FileReading, values: Record<string, string>): string[] {
  return reading.headers.map((field) => values[field] ?? '');
}
function read(kind: ImportKind, values: Record<string, string>, change?: Partial<FileReading>) {
  const reading = readingOf(kind, change);
  return rowReader(reading)(cells(reading, values));
}

const performance = {
  query: 'Bike bag',
  clicks: '7',
  impressions: '1,250',
  date: '2026-03-14',
  position: '9.4',
  page: 'https://www.tarnwick.example/bags/#top',
};
const rankings = { query: 'bike bag', page: 'cobblemoor.example/bags', date: '2026-03-14', organic: '4' };

describe('own search performance', () => {
  test('is read with its address bare', () => {
    expect(read('performance', performance)).toEqual({
      query: 'Bike bag',
      page: 'tarnwick.example/bags',
      day: DAY,
      clicks: 7,
      impressions: 1250,
      position: 9.4,
      device: 0,
      country: 0,
    });
  });

  test('with decimal commas points are marks of thousands', () => {
    expect(
      read('performance', { ...performance, impressions: '1.250', position: '9,4' }, { decimalComma: true }),
    ).toMatchObject({ impressions: 1250, position: 9.4 });
  });

  test('a missing position is unknown, and so is position nought', () => {
    for (const position of ['', '0'])
      expect(read('performance', { ...performance, position })).toMatchObject({ position: NaN });
  });

  test.each([
    [{ clicks: '1251' }, '1251 clicks of 1250 impressions cannot be'],
    [{ clicks: '7.5' }, '7.5 cannot be a number of clicks'],
    [{ clicks: '-1' }, '-1 cannot be a number of clicks'],
    [{ clicks: 'many' }, '“many” is not a number of clicks'],
    [{ query: '' }, 'the query is empty'],
    [{ query: '🚲 !!' }, 'the query holds no letter or number'],
    [{ query: 'a'.repeat(1001) }, 'the query is longer than 1,000 characters'],
    [{ date: '2026-02-30' }, '“2026-02-30” is not a date'],
    [{ position: '20000' }, '“20000” is not a position'],
  ])('%j is refused: %s', (change, reason) => {
    expect(read('performance', { ...performance, ...change })).toBe(reason);
  });

  test.each([['Total'], ['GESAMT'], ['Suma'], ['grand total']])('a row of %s is passed over', (word) => {
    expect(read('performance', { query: word, clicks: '7', impressions: '9' })).toBeNull();
  });

  test('a query that is called like a total is a query where it has a date', () => {
    expect(read('performance', { ...performance, query: 'total' })).toMatchObject({ query: 'total' });
  });

  test('without a date column every row stands for the date that was given', () => {
    const columns = { query: 0, clicks: 1, impressions: 2 };
    const reading = readingOf('performance', { columns, fixedDate: '2026-03-14' });
    expect(rowReader(reading)(['bike bag', '1', '2'])).toMatchObject({ day: DAY, page: '', position: NaN });
  });

  test('a row that breaks off says how many columns it has', () => {
    expect(rowReader(readingOf('performance'))(['bike bag', '1'])).toBe('2 columns where 5 are needed');
  });
});

describe('rankings', () => {
  test('addresses are cleaned as everywhere else', () => {
    expect(
      read('rankings', { ...rankings, page: 'HTTPS://www.Cobblemoor.example/bags/?utm_source=x#a' }),
    ).toMatchObject({
      page: 'cobblemoor.example/bags',
      organic: 4,
      paid: 0,
      volume: NaN,
    });
  });

  test.each([
    [{ organic: '' }, 'neither an organic nor a paid position'],
    [{ organic: '251' }, '251 is not a position from 1 to 250'],
    [{ organic: '3.5' }, '3.5 is not a position from 1 to 250'],
    [{ page: 'no page' }, '“no page”: not an address or id of a page, site, video, channel, listing or shop'],
  ])('%j is refused: %s', (change, reason) => {
    expect(read('rankings', { ...rankings, ...change })).toBe(reason);
  });

  test('a paid position alone is enough', () => {
    expect(read('rankings', { ...rankings, organic: '', paid: '2', volume: '1,200' })).toMatchObject({
      organic: 0,
      paid: 2,
      volume: 1200,
    });
  });

  test('ids of a platform are read where the platform is known', () => {
    const platform = {
      surface: 'video' as const,
      host: 'watchmoor.example',
      target: '/watch/{id}',
      parent: '/by/{id}',
      id: '^v[a-z0-9]{9}$',
    };
    const reading = readingOf('rankings');
    expect(rowReader(reading, [platform])(cells(reading, { ...rankings, page: 'vabc123xyz' }))).toMatchObject(
      {
        page: 'watchmoor.example/watch/vabc123xyz',
      },
    );
  });
});

describe('keyword metrics', () => {
  const metrics = { query: 'bike bag', date: '2026-03-14' };

  test('one CPC stands for both ends, and a range for itself', () => {
    expect(read('metrics', { ...metrics, cpc: '$1.20' })).toMatchObject({ cpcLow: 1.2, cpcHigh: 1.2 });
    expect(read('metrics', { ...metrics, 'cpc low': '0.80 €', 'cpc high': '2' })).toMatchObject({
      cpcLow: 0.8,
      cpcHigh: 2,
    });
    expect(read('metrics', { ...metrics, 'cpc low': '3', 'cpc high': '2' })).toBe(
      'CPC from 3 to 2 cannot be',
    );
  });

  test.each([
    ['0.62', 0.62],
    ['1', 1],
    ['62', 0.62],
    ['62 %', 0.62],
    ['', NaN],
    ['–', NaN],
  ])('ad competition %j is %d', (text, share) => {
    expect(read('metrics', { ...metrics, 'ad competition': text })).toMatchObject({ adCompetition: share });
  });

  test('what the file does not say is unknown, never nought', () => {
    const row = read('metrics', metrics);
    expect(row).toMatchObject({ query: 'bike bag', day: DAY });
    const figures = Object.entries(row as object).filter(([name]) => name !== 'query' && name !== 'day');
    expect(figures).toHaveLength(8);
    for (const [, figure] of figures) expect(figure).toBeNaN();
  });
});

describe('ad search terms and hidden terms', () => {
  test('are read with what they cost', () => {
    expect(
      read('ad terms', {
        query: 'bike bag',
        date: '2026-03-14',
        clicks: '3',
        impressions: '40',
        cost: '£4.50',
        'ad keyword': 'bike bags',
        'match type': 'Phrase',
        conversions: '1',
        value: '80',
      }),
    ).toEqual({
      query: 'bike bag',
      adKeyword: 'bike bags',
      match: 'Phrase',
      page: '',
      day: DAY,
      impressions: 40,
      clicks: 3,
      cost: 4.5,
      conversions: 1,
      value: 80,
      device: 0,
      country: 0,
    });
  });

  test('an empty cell of a figure that a file need not give is unknown, never a reason to refuse the row', () => {
    const row = read('ad terms', {
      query: 'bike bag',
      date: '2026-03-14',
      clicks: '3',
      impressions: '',
      conversions: ' ',
      cost: '',
      value: '',
    });
    expect(row).toMatchObject({ clicks: 3 });
    for (const name of ['impressions', 'conversions', 'cost', 'value'] as const)
      expect((row as Record<string, unknown>)[name]).toBeNaN();
    expect(
      read('ad terms', { query: 'bike bag', date: '2026-03-14', clicks: '3', impressions: 'many' }),
    ).toBe('“many” is not a number of impressions');
  });

  test('hidden terms need terms and an address', () => {
    expect(read('hidden terms', { page: 'tarnwick.example/a', terms: ' rain bag ' })).toEqual({
      page: 'tarnwick.example/a',
      terms: 'rain bag',
    });
    expect(read('hidden terms', { page: 'tarnwick.example/a' })).toBe('no terms');
  });
});

test.each([
  ['2026-03', '2026-03'],
  ['2026-3', '2026-03'],
  ['2026-03-14', '2026-03'],
  ['03/2026', '2026-03'],
])('visits: the month %s', (said, month) =>
  expect(read('visits', { month: said, source: ' Organic  search ', visits: '1,200' })).toEqual({
    ...{ month, source: 'Organic search', visits: 1200 },
  }),
);

test.each(['', '2026-13', 'March', '2026'])('visits: %s is no month', (said) =>
  expect(read('visits', { month: said, source: 'a', visits: '1' })).toContain('is no month'),
);

test('any cells at all give a row, a reason or nothing, and never a failure', () => {
  const kinds = Object.keys(IMPORT_KINDS) as ImportKind[];
  const cell = fc.oneof(
    fc.constantFrom(
      '',
      '0',
      '7',
      '-3',
      '1e9',
      '12,5',
      '2026-03-14',
      'tarnwick.example/a',
      'Total',
      'bike bag',
      '\0',
      '99999999999999999999',
    ),
    fc.string({ unit: 'binary', maxLength: 12 }),
  );
  fc.assert(
    fc.property(
      fc.constantFrom(...kinds),
      fc.array(cell, { maxLength: 14 }),
      fc.boolean(),
      (kind, fields, decimalComma) => {
        const row = rowReader(readingOf(kind, { decimalComma }))(fields);
        if (row === null) return;
        if (typeof row === 'string') expect(row.length).toBeGreaterThan(0);
        else
          for (const value of Object.values(row))
            if (typeof value === 'number' && !Number.isNaN(value)) expect(Number.isFinite(value)).toBe(true);
      },
    ),
    { numRuns: 1000 },
  );
});

test('rows do not depend on the rows before them', () => {
  const reading = readingOf('rankings');
  const values = fc.record({
    query: fc.constantFrom('bike bag', 'Bike bag', 'rain bag', '', '!!'),
    page: fc.constantFrom('tarnwick.example/a', 'no page', 'saltfen.example'),
    date: fc.constantFrom('2026-03-14', '2026-03-15', 'soon', ''),
    organic: fc.constantFrom('1', '', '40'),
  });
  fc.assert(
    fc.property(fc.array(values, { minLength: 1, maxLength: 12 }), (rows) => {
      const together = rowReader(reading);
      for (const row of rows)
        expect(together(cells(reading, row))).toEqual(rowReader(reading)(cells(reading, row)));
    }),
  );
});
