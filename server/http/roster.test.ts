import { gzipSync, gunzipSync } from 'node:zlib';
import ExcelJS from 'exceljs';
import { DATE, MARKET, OWN, Running } from '../testing/running';

let running: Running;
let at: string;
let id: number;
beforeAll(async () => {
  running = await Running.start();
  ({ at, id } = await running.project());
});
afterAll(() => running.stop());

const add = (side: string, market: string, text: string) =>
  running.api.post(`${at}/targets`, { side, market, text });

test('any kind of target is recognised on any line, and every line that gives nothing says why', async () => {
  const { rows } = await running.witness<{ rows: { address: string }[] }>(
    `/rankings?market=video-us-en&date=${DATE}&target=vidlantern.example/on/cobblemoor`,
  );
  const video = rows[0]!.address;
  const videoId = video.slice(video.lastIndexOf('/') + 1);
  const { added, left } = await add(
    'rival',
    MARKET,
    [
      'https://vidlantern.example/on/Cobblemoor/',
      videoId.toUpperCase(),
      'www.stallbridge.example/stall/saltfen?utm_x=1',
      'rovelot.example/range/*',
      `https://${video}?ref=x`,
      '🚲🚲🚲',
      'شركة الحقائب',
      `${'x'.repeat(300)}.example`,
      '',
      'vidlantern.example/watch/vl-zzzzzzzz',
    ].join('\n'),
  );
  expect(added.map(({ kind, surface }: { kind: string; surface: string }) => [kind, surface])).toEqual([
    ['channel', 'video'],
    ['video', 'video'],
    ['shop', 'marketplace'],
    ['section', 'web'],
  ]);
  expect(left.map(({ line, reason }: { line: number; reason: string }) => [line, reason])).toEqual([
    [5, 'is in the roster already'],
    [6, expect.stringContaining('not an address or id')],
    [7, expect.stringContaining('not an address or id')],
    [8, expect.stringContaining('not an address or id')],
    [10, 'the services know nothing of it in this market'],
  ]);
});

test('an own listing comes with its hidden search terms, and says which fields are empty', async () => {
  const { rows } = await running.witness<{ rows: { address: string }[] }>(
    `/rankings?market=marketplace-us-en&date=${DATE}&target=stallbridge.example/stall/tarnwick`,
  );
  const addresses = [...new Set(rows.map(({ address }) => address))].slice(0, 8);
  const { added } = await add('own', 'marketplace-us-en', addresses.join('\n'));
  for (const target of added) {
    const { fields } = await running.witness<{ fields: Record<string, string> }>(
      `/own/fields?market=marketplace-us-en&target=${target.address}`,
    );
    const hidden = fields['hidden search terms'] ?? '';
    expect(target.privateFields['hidden search terms'] ?? '').toBe(hidden);
    expect(target.filled.empty.includes('hidden search terms')).toBe(hidden === '');
    expect(target.filled.full + target.filled.empty.length).toBe(target.filled.of);
  }
  const typed = { 'hidden search terms': 'rain bag' };
  const changed = await running.api.patch(`${at}/targets/${added[0].id}`, {
    privateFields: typed,
    note: 'ours',
  });
  expect(changed).toMatchObject({ privateFields: typed, note: 'ours' });
  for (const target of added) await running.api.delete(`${at}/targets/${target.id}`);
});

test('the front as cards: slots, figures, who is ours, who does better and by how much', async () => {
  const market = 'marketplace-us-en';
  await add('own', market, 'stallbridge.example/stall/tarnwick');
  const { rows } = await running.witness<{ rows: { keyword: string; organic: number | null }[] }>(
    `/rankings?market=${market}&date=${DATE}&target=stallbridge.example/stall/tarnwick`,
  );
  const { keyword } = rows.find((row) => row.organic !== null && row.organic <= 40)!;
  const request = { market, date: DATE, keyword, show: 50 };
  const front = await running.api.post(`${at}/front`, request);
  expect(front).toMatchObject({ held: false, units: 1 });
  expect(await running.api.post(`${at}/front`, request)).toMatchObject({ held: true, units: 0 });
  const witness = await running.witness<{
    records: { address: string; parent: string; figures: Record<string, number>; category: string }[];
    pages: { slots: { kind: string; position: number; record: number }[] }[];
  }>('/result-pages', { market, date: DATE, keywords: [request.keyword] });
  const organic = witness.pages[0]!.slots.filter((slot) => slot.kind === 'organic').slice(0, 50);
  const cards = front.cards.filter((card: { paid: boolean }) => !card.paid);
  expect(cards.map((card: { address: string }) => card.address)).toEqual(
    organic.map((slot) => witness.records[slot.record]!.address),
  );
  const mine = (address: string) => witness.records.find((record) => record.address === address)!;
  const us = mine(front.own.address);
  expect(us.parent).toBe('stallbridge.example/stall/tarnwick');
  expect(front.ownPlaces).toBe(
    organic.filter((slot) => slot.position <= 10 && witness.records[slot.record]!.parent === us.parent)
      .length,
  );
  for (const card of cards) {
    const record = mine(card.address);
    expect(card.side).toBe(record.parent === us.parent ? 'own' : 'other');
    const outsells =
      record !== us &&
      record.category === us.category &&
      record.figures['sales rank']! < us.figures['sales rank']!;
    expect([card.address, card.ahead.some((words: string) => words.startsWith('outsells us'))]).toEqual([
      card.address,
      outsells,
    ]);
    // Categories whose curve the source keeps to itself have no estimate.
    if (record.category === 'Racks and parts') expect(card.units).toBeNull();
    if (record.category === 'Panniers') expect(card.units).toBeGreaterThan(0);
  }
  const slots = front.parents.reduce((sum: number, parent: { slots: number }) => sum + parent.slots, 0);
  expect(slots).toBe(organic.length);
});

test('a rival’s profile agrees with what the services say of it', async () => {
  const target = (await running.api.get(`${at}/targets`)).find(
    (entry: { address: string }) => entry.address === 'cobblemoor.example',
  );
  const started = await running.api.post(`${at}/look-ups`, {
    market: MARKET,
    date: DATE,
    targets: [OWN, target.address],
    extent: 'metrics',
  });
  await running.api.finished(started.job.id);
  const profile = await running.api.get(`${at}/targets/${target.id}/profile?market=${MARKET}&date=${DATE}`);
  const rows = await running.witnessRankings(target.address);
  const keywords = (which: 'organic' | 'paid') =>
    new Set(rows.filter((row) => row[which] !== null).map((row) => row.keyword)).size;
  expect(profile).toMatchObject({
    organic: keywords('organic'),
    paid: keywords('paid'),
    paidMissing: Math.max(0, Math.round(keywords('organic') / 2) - keywords('paid')),
  });
  // Ours beside it is what our own profile says; we are not held against ourselves.
  const own = (await running.api.get(`${at}/targets`)).find(
    (entry: { address: string }) => entry.address === OWN,
  );
  const ours = await running.api.get(`${at}/targets/${own.id}/profile?market=${MARKET}&date=${DATE}`);
  expect(profile.ours).toEqual({
    ...{ name: own.name, organic: ours.organic, paid: ours.paid, littleDemand: ours.littleDemand },
    clicks: expect.closeTo(ours.clicks, 6),
    clicksPerKeyword: expect.closeTo(ours.clicksPerKeyword, 6),
  });
  expect(profile.ours.clicks).toBeGreaterThan(0);
  expect(ours.ours).toBeNull();
  const last = profile.overTime.at(-1);
  expect(last.depth.reduce((sum: number, count: number) => sum + count, 0)).toBe(keywords('organic'));
  for (const buy of profile.buys) expect(buy.daysSeen).toBeLessThanOrEqual(buy.daysLooked);
  const targetAt = `${at}/targets/${target.id}`;
  const panel = await running.api.get(`${targetAt}/keywords?market=${MARKET}&date=${DATE}`);
  const best = new Map<string, number>();
  for (const { keyword, organic } of rows)
    if (organic !== null) best.set(keyword, Math.min(organic, best.get(keyword) ?? 999));
  for (const row of panel.rows)
    if (row.organic !== 'unknown') expect([row.text, row.organic]).toEqual([row.text, best.get(row.text)]);
  expect(panel.atFirst).toBe([...best.values()].filter((position) => position === 1).length);
  for (const [n, [from, to]] of [
    [1, 3],
    [4, 10],
    [11, 20],
  ].entries()) {
    const band = `${from}–${to}`;
    const asked = `market=${MARKET}&date=${DATE}&band=${encodeURIComponent(band)}`;
    const within = [...best.values()].filter((position) => position >= from! && position <= to!).length;
    const listed = await running.api.get(`${targetAt}/keywords?${asked}`);
    expect([band, listed.matched, panel.depth[n]]).toEqual([band, within, within]);
    for (const { organic } of listed.rows) expect(organic >= from! && organic <= to!).toBe(true);
  }
});

test('a sitemap becomes own pages whose index state can be asked; others’ pages are left out', async () => {
  const known = (await running.witnessRankings(OWN))[0]!.address;
  const xml = `<?xml version="1.0"?><!DOCTYPE x [<!ENTITY a "aaaa"><!ENTITY b "&a;&a;&a;&a;">]>
    <urlset xmlns="urn:sitemap"><url><loc>https://${known}</loc><lastmod>2026-01-02T10:00:00Z</lastmod></url>
    <url><loc>https://www.${OWN}/not-there-yet/</loc></url><url><loc>https://other.example/x</loc></url>
    <url><loc>&b;&b;</loc></url></urlset>`;
  for (const body of [Buffer.from(xml), gzipSync(xml)]) {
    const answer = await running.api.upload(`${at}/sitemap`, body);
    expect(answer).toMatchObject({ pages: 2 });
    expect(answer.left.map(({ reason }: { reason: string }) => reason)).toEqual([
      'lies under none of our own targets',
      expect.stringContaining('not an address'),
    ]);
  }
  const before = await running.api.get(`${at}/index?market=${MARKET}`);
  expect(before.counts).toMatchObject({ unknown: 2 });
  const after = await running.api.post(`${at}/index/check`, { market: MARKET });
  const stateOf = (address: string) =>
    after.pages.find((page: { address: string }) => page.address === address).state;
  expect([stateOf(known), stateOf(`${OWN}/not-there-yet`)]).toEqual(['indexed', 'not indexed']);
  await expect(running.api.upload(`${at}/sitemap`, Buffer.from('<html></html>'))).rejects.toThrow(
    /no sitemap/,
  );
});

test('words not to be used are marked in the pool with level and reason, on their surface only', async () => {
  await running.api.post(`${at}/banned-words`, {
    text: ' Bike  BAGS ',
    level: 'doubtful',
    reason: 'too broad',
  });
  await running.api.post(`${at}/banned-words`, { text: 'bag', level: 'forbidden', surface: 'video' });
  const [lookUp] = await running.api.get(`${at}/look-ups`);
  const pool = await running.api.get(`/look-ups/${lookUp.id}/keywords?limit=300`);
  for (const { text, banned } of pool.rows) {
    const holds = / bike bags /.test(` ${text} `);
    const marked = { text: 'Bike  BAGS', level: 'doubtful', reason: 'too broad', spelled: null };
    // Rivals' names, which nobody put on the list, are a matter of their own.
    const asWritten = banned.filter(
      ({ spelled, reason }: { spelled: string | null; reason: string }) =>
        spelled === null && reason !== 'a rival’s name',
    );
    expect([text, asWritten]).toEqual([text, holds ? [marked] : []]);
  }
});

const HOSTILE: [string, Buffer | string, object | RegExp][] = [
  [
    'scripts and structured data',
    `<html><head><title>Fell Pannier</title><link rel=canonical href="https://saltfen.example/fell">
     <meta name="description" content="A pannier."><script>while(true){}</script>
     <script type="application/ld+json">{"@graph":[{"@type":["Thing","Product"],"name":"Fell","offers":[{"price":"79.50","priceCurrency":"GBP"}],"aggregateRating":{"ratingValue":4.5,"reviewCount":"1,204"}}]}</script>
     <script type="application/ld+json">{"@type":"VideoObject","name":"How to","duration":"PT1M5S","uploadDate":"2026-01-02"}</script>
     <script type="application/ld+json">{broken</script></head>
     <body><nav>Menu of everything</nav><h1>Waterproof pannier for touring</h1><p>Hangs well.</p><footer>Legal words</footer></body></html>`,
    {
      title: 'Fell Pannier',
      product: { name: 'Fell', price: 79.5, currency: 'GBP', rating: 4.5, reviews: 1204 },
      video: { name: 'How to', seconds: 65, published: '2026-01-02' },
      headings: ['Waterproof pannier for touring'],
      notes: ['A block of structured data could not be read.'],
    },
  ],
  ['a page without end tags, deep', `<title>Deep</title>${'<div>'.repeat(200_000)}text`, { title: 'Deep' }],
  [
    'broken encoding',
    Buffer.concat([
      Buffer.from('<meta charset="windows-1252"><title>Gep'),
      Buffer.from([0xe4]),
      Buffer.from('ck</title><h1>x</h1>'),
    ]),
    { title: 'Gepäck' },
  ],
  ['entities without end', `<title>${'&amp;'.repeat(100_000)}</title><h1>y</h1>`, { headings: ['y'] }],
  [
    'structured data nested without end',
    `<title>N</title><script type="application/ld+json">${'{"a":'.repeat(50_000)}1${'}'.repeat(50_000)}</script>`,
    { title: 'N', product: null },
  ],
  [
    'elements inside each other without end',
    `<title>D</title>${'<div>'.repeat(2_000_000)}`,
    { title: 'D', notes: ['Only read up to where more than 5000 elements are open at once.'] },
  ],
  ['an empty file', '', /no page/],
];
test.each(HOSTILE)(
  'a saved page with %s is read without running or hanging',
  async (_, content, expected) => {
    const asked = running.api.upload(
      `${at}/saved-pages?market=${MARKET}&side=rival&address=saltfen.example/saved`,
      content,
    );
    if (expected instanceof RegExp) await expect(asked).rejects.toThrow(expected);
    else expect((await asked).page).toMatchObject(expected);
  },
);

test('phrases of a saved page leave menus and footers out', async () => {
  const { page } = await running.api.upload(
    `${at}/saved-pages?market=${MARKET}&side=rival&address=saltfen.example/saved`,
    HOSTILE[0]![1],
  );
  expect(page.phrases).toContain('waterproof pannier');
  expect(page.phrases.join('|')).not.toMatch(/menu|legal/);
});

async function takeIn(name: string, content: Buffer | string, kind?: string) {
  const { import: entry, preview } = await running.api.upload(
    `${at}/imports?name=${name}${kind ? `&kind=${encodeURIComponent(kind)}` : ''}`,
    content,
  );
  const started = await running.api.post(`/imports/${entry.id}/start`, {
    market: MARKET,
    reading: preview.reading,
  });
  await running.api.finished(started.job.id);
  const taken = (await running.api.get(`${at}/imports`)).find(
    (other: { id: number }) => other.id === entry.id,
  );
  return { preview, taken };
}
const RANKINGS = [
  ['Keyword', 'Target', 'Date', 'Organic', 'Paid', 'Volume'],
  ['imported one', 'https://cobblemoor.example/a', '2026-03-01', 4, '', 900],
  ['imported one', 'stranger.example/b', '2026-03-01', 9, 2, 900],
  ['imported two', 'https://cobblemoor.example/a', '2026-03-01', '', 1, 50],
  ['imported two', 'nonsense', '2026-03-01', 3, '', 50],
  ['imported three', 'cobblemoor.example/c', '2026-03-01', 0.5, '', 10],
];
async function workbook(): Promise<Buffer> {
  const book = new ExcelJS.Workbook();
  const sheet = book.addWorksheet('Rankings');
  for (const row of RANKINGS) sheet.addRow(row);
  return Buffer.from(await book.xlsx.writeBuffer());
}
const jsonLines = RANKINGS.slice(1)
  .map((row) => JSON.stringify(Object.fromEntries(RANKINGS[0]!.map((head, i) => [head, row[i]]))))
  .join('\n');
const delimited = (mark: string) => RANKINGS.map((row) => row.join(mark)).join('\r\n');

test.each([
  ['r.csv', async () => delimited(',')],
  ['r.tsv', async () => delimited('\t')],
  ['r.xlsx', workbook],
  ['r.jsonl', async () => jsonLines],
])(
  'rankings from %s become a pool in which everybody stands under whom they belong to',
  async (name, content) => {
    const { preview, taken } = await takeIn(name, await content());
    expect(preview.reading.kind).toBe('rankings');
    expect(taken).toMatchObject({ rowsKept: 3, rowsRejected: 2 });
    const { rows: rejected } = await running.api.get(`/imports/${taken.id}/rejections`);
    const shift = name === 'r.jsonl' ? 1 : 0;
    expect(rejected.map(({ line }: { line: number }) => line)).toEqual([5 - shift, 6 - shift]);
    const lookUp = (await running.api.get(`${at}/look-ups`)).find(
      (entry: { name: string }) => entry.name === name,
    );
    expect(lookUp).toMatchObject({ kind: 'import', keywords: 2, date: '2026-03-01' });
    const pool = await running.api.get(`/look-ups/${lookUp.id}/keywords?sort=keyword`);
    const t = pool.targets.indexOf('cobblemoor.example');
    const s = pool.targets.indexOf('stranger.example');
    expect(
      pool.rows.map((row: { text: string; volume: number; organic: number[]; paid: number[] }) => [
        row.text,
        row.volume,
        row.organic[t],
        row.organic[s],
        row.paid[s],
        row.paid[t],
      ]),
    ).toEqual([
      ['imported one', 900, 4, 9, 2, null],
      ['imported two', 50, null, null, null, 1],
    ]);
  },
);

test('metrics from a file: the newest figure counts, and what a file does not say stays as it was', async () => {
  const { taken } = await takeIn(
    'metrics.csv',
    'Keyword;Datum;Search volume;CPC from;CPC to;Competition;Difficulty\nbike bags;14.03.2026;123;0,40;1,10;80;33\nbike bags;14.03.2026;x;;;;\n',
    'metrics',
  );
  expect(taken).toMatchObject({ kind: 'metrics', rowsKept: 1, rowsRejected: 1 });
  const [lookUp] = (await running.api.get(`${at}/look-ups`)).filter(
    (entry: { kind: string }) => entry.kind === 'targets',
  );
  const { rows } = await running.api.get(`/look-ups/${lookUp.id}/keywords?find=bike+bags&limit=500`);
  const row = rows.find(({ text }: { text: string }) => text === 'bike bags');
  expect(row).toMatchObject({ volume: 123, cpcLow: 0.4, cpcHigh: 1.1, adCompetition: 0.8 });
  // Months and results come from the services, the file's difficulty is not ours.
  expect(row.months).toHaveLength(12);
  expect(row.results).toBeGreaterThan(0);
  expect(row.difficulty).not.toBe(33);
});

test('how the columns of a file were matched is remembered for its next one', async () => {
  const content = 'Typed,Seen,Pressed\nrain cover,20,2\n';
  const first = await running.api.upload(`${at}/imports?name=odd.csv`, content);
  const reading = {
    ...first.preview.reading,
    kind: 'performance',
    columns: { query: 0, impressions: 1, clicks: 2, page: null, date: null, position: null },
    fixedDate: '2026-03-01',
  };
  const started = await running.api.post(`/imports/${first.import.id}/start`, { market: MARKET, reading });
  await running.api.finished(started.job.id);
  const second = await running.api.upload(`${at}/imports?name=odd2.csv`, content);
  expect(second.preview.reading).toMatchObject({ remembered: true, columns: reading.columns });
});

test('ad search terms and hidden terms are taken in', async () => {
  const terms = await takeIn(
    'terms.csv',
    'Date,Search term,Ad keyword,Match type,Impressions,Clicks,Cost,Conversions,Value\n2026-03-01,panniers,pannier,broad,100,5,$4.50,1,80\n2026-03-01,panniers,pannier,broad,1,5,4.50,1,80\n',
    'ad terms',
  );
  expect(terms.taken).toMatchObject({ kind: 'ad terms', rowsKept: 1, rowsRejected: 1 });
  const hidden = await takeIn(
    'hidden.csv',
    `Listing,Hidden search terms\nhttps://${OWN}/,"bike luggage; cycle bag"\ncobblemoor.example,theirs\n`,
    'hidden terms',
  );
  expect(hidden.taken).toMatchObject({ rowsKept: 1, rowsRejected: 1 });
  const [own] = await running.api.get(`${at}/targets`);
  expect(own.privateFields['hidden search terms']).toBe('bike luggage\ncycle bag');
});

test.each([
  ['csv', (body: Buffer) => body.toString('utf8').trim().split('\n').length - 1],
  ['json', (body: Buffer) => JSON.parse(body.toString('utf8')).rows.length],
  [
    'xlsx',
    async (body: Buffer) => {
      const book = new ExcelJS.Workbook();
      await book.xlsx.load(body as unknown as ArrayBuffer);
      return book.worksheets[0]!.rowCount - 1;
    },
  ],
] as const)('a pool is written as %s with every row, and the file is noted', async (format, rowsIn) => {
  const lookUp = (await running.api.get(`${at}/look-ups`)).at(-1);
  const pool = await running.api.get(`/look-ups/${lookUp.id}/keywords?words=bags&limit=1`);
  const response = await fetch(
    `${running.server.url}/api/look-ups/${lookUp.id}/keywords.file?words=bags&format=${format}`,
  );
  expect(await rowsIn(Buffer.from(await response.arrayBuffer()))).toBe(pool.total);
  const [noted] = await running.api.get(`/look-ups/${lookUp.id}/exports`);
  expect(noted).toMatchObject({ rows: pool.total, name: expect.stringContaining(format) });
});

test('a project goes out as one file and comes back the same; a damaged file leaves nothing', async () => {
  const response = await fetch(`${running.server.url}/api${at}/archive`);
  const packed = Buffer.from(await response.arrayBuffer());
  const other = await Running.start();
  try {
    await other.api.get('/markets');
    const { project, job } = await other.api.upload('/archives', packed);
    await other.api.finished(job.id);
    const there = `/projects/${project.id}`;
    const strip = (targets: { address: string; note: string; record: unknown; privateFields: object }[]) =>
      targets.map(({ address, note, record, privateFields }) => ({ address, note, record, privateFields }));
    expect(strip(await other.api.get(`${there}/targets`))).toEqual(
      strip(await running.api.get(`${at}/targets`)),
    );
    const [mine, theirs] = [
      await running.api.get(`${at}/look-ups`),
      await other.api.get(`${there}/look-ups`),
    ];
    expect(theirs.map(({ name, keywords }: { name: string; keywords: number }) => [name, keywords])).toEqual(
      mine.map(({ name, keywords }: { name: string; keywords: number }) => [name, keywords]),
    );
    for (const [i, lookUp] of mine.entries()) {
      const query = 'keywords?sort=-volume,keyword&limit=200';
      const plain = (pool: { rows: { id: number }[] }) => pool.rows.map(({ id: _id, ...row }) => row);
      expect(plain(await other.api.get(`/look-ups/${theirs[i].id}/${query}`))).toEqual(
        plain(await running.api.get(`/look-ups/${lookUp.id}/${query}`)),
      );
    }
    const before = (await other.api.get('/projects')).length;
    const half = gzipSync(gunzipSync(packed).subarray(0, 200_000));
    for (const damaged of [
      half,
      packed.subarray(0, packed.length >> 1),
      Buffer.from('no archive'),
      gzipSync('{}\n'),
    ]) {
      const broken = await other.api.upload('/archives', damaged);
      await expect(other.api.finished(broken.job.id)).rejects.toThrow();
      expect(await other.api.get('/projects')).toHaveLength(before);
    }
  } finally {
    await other.stop();
  }
});

// Last: it moves the clock.
test('a rival’s changed title is seen at the next fetch and shown as a difference', async () => {
  const { rows } = await running.witness<{ rows: { address: string }[] }>(
    `/rankings?market=marketplace-us-en&date=${DATE}&target=stallbridge.example/stall/cobblemoor`,
  );
  const addresses = [...new Set(rows.map(({ address }) => address))].slice(0, 25);
  await add('rival', 'marketplace-us-en', addresses.join('\n'));
  expect((await running.api.post(`${at}/targets/refresh`)).changed).toEqual([]);
  await running.witness('/clock/advance', { days: 250 });
  const { changed } = await running.api.post(`${at}/targets/refresh`);
  const retitled = changed.filter(({ changes }: { changes: { field: string }[] }) =>
    changes.some(({ field }) => field === 'title'),
  );
  expect(retitled.length).toBeGreaterThan(0);
  const [newest] = await running.api.get(`${at}/targets/${retitled[0].target}/versions`);
  const title = newest.changes.find(({ field }: { field: string }) => field === 'title');
  expect(newest.record.title).toBe(title.after);
  expect(title.before).not.toBe(title.after);
  expect(id).toBeGreaterThan(0);
});
