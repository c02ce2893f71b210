// Fills the demo through the same doors that people use: targets, look-ups, a file, captures over months.
import { api } from './api.mjs';
import { seedPlan } from './seed-plan.mjs';
import { seedReports } from './seed-report.mjs';
import { EARLIER_DAYS, bringVisits, followSince, publishEarlier } from './seed-watch.mjs';

const MARKET = 'web-us-en';
const RIVALS = ['cobblemoor.example', 'pikewater.example', 'dunmarrow.example', 'saltfen.example'];
const OWN = 'tarnwick.example';
const MONTHS_OF_HISTORY = 16;
const TRACKED = 60;
const CAPTURED = 2500;
const PERFORMANCE_DAYS = 73;
const AD_DAYS = 30;

const daysBefore = (date, days) => new Date(Date.parse(date) - days * 86_400_000).toISOString().slice(0, 10);

export async function seedDemo(url, servicesUrl, say) {
  const opsimath = api(url);
  await opsimath.get('/markets');

  const project = await opsimath.post('/projects', { name: 'Tarnwick' });
  const at = `/projects/${project.id}`;
  await opsimath.post(`${at}/targets`, { side: 'own', market: MARKET, text: OWN });
  await opsimath.post(`${at}/targets`, { side: 'rival', market: MARKET, text: RIVALS.join('\n') });

  await describeOurselves(opsimath, at);

  const aimed = await publishEarlier(opsimath, at, [OWN, ...RIVALS], say);
  await fetch(`${servicesUrl}/v1/clock/advance`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({ days: EARLIER_DAYS }),
  });
  const { today } = await opsimath.get('/services');
  const compare = daysBefore(today, 90);

  say('Looking up four rivals and ourselves…');
  const lookUp = await opsimath.post(`${at}/look-ups`, {
    market: MARKET,
    date: today,
    compareDate: compare,
    targets: [OWN, ...RIVALS],
    extent: 'captures',
    captureMost: CAPTURED,
  });
  await opsimath.finished(lookUp.job.id);

  await seedOtherSurfaces(opsimath, at, today, servicesUrl, say);

  say('Importing own search performance from a file…');
  const csv = await performanceCsv(servicesUrl, daysBefore(today, PERFORMANCE_DAYS), daysBefore(today, 1));
  const uploaded = await opsimath.upload(`${at}/imports?name=search-performance.csv`, csv);
  const started = await opsimath.post(`/imports/${uploaded.import.id}/start`, {
    market: MARKET,
    reading: uploaded.preview.reading,
  });
  await opsimath.finished(started.job.id);

  say('Importing own ad search terms from a file…');
  const terms = await adTermsCsv(servicesUrl, daysBefore(today, AD_DAYS), daysBefore(today, 1));
  const ads = await opsimath.upload(`${at}/imports?name=ad-search-terms.csv&kind=ad%20terms`, terms);
  const reading = ads.preview.reading;
  const adsStarted = await opsimath.post(`/imports/${ads.import.id}/start`, { market: MARKET, reading });
  await opsimath.finished(adsStarted.job.id);
  await opsimath.post(`${at}/own-bids`, { market: MARKET });

  say(`Capturing ${MONTHS_OF_HISTORY} months of history for ${TRACKED} tracked keywords…`);
  const scope = `market=${MARKET}&date=${today}&compare=${compare}`;
  const { rows } = await opsimath.get(`${at}/gaps?${scope}&sort=-priority&limit=${TRACKED}`);
  const keywords = [...new Set([...aimed, ...rows.map((row) => row.id)])];
  await opsimath.post(`${at}/tracked`, { keywords });
  const weeks = Math.round((MONTHS_OF_HISTORY * 365.25) / 12 / 7);
  const dates = Array.from({ length: weeks }, (_, week) => daysBefore(today, 7 * (weeks - week)));
  const history = await opsimath.post(`${at}/captures`, { market: MARKET, dates, keywords });
  await opsimath.finished(history.id);

  await followSince(opsimath, at, today, keywords, say);

  await bringVisits(opsimath, at, today);
  await seedPlan(opsimath, at, today, compare, say);
  await seedReports(opsimath, at, today, compare, say);
}

/** What we offer, as it stands beside each keyword that is judged; and where this trade keeps its items. */
async function describeOurselves(opsimath, at) {
  const [own] = await opsimath.get(`${at}/targets`);
  await opsimath.patch(`${at}/targets/${own.id}`, {
    facts: {
      type: 'panniers, frame bags and handlebar bags',
      features: 'roll top, waterproof seams, quick release, repairable',
      uses: 'bicycle touring, bikepacking, commuting',
      audiences: 'riders who carry a load for days',
      materials: 'waxed canvas, welded ripstop',
      price: '45 to 180',
    },
  });
  const { settings } = (await opsimath.get('/projects')).find(({ id }) => at.endsWith(`/${id}`));
  await opsimath.patch(at, {
    settings: { pagePaths: { ...settings.pagePaths, item: [...settings.pagePaths.item, 'bags'] } },
  });
}

/** Channels and shops of everybody, with a look-up on each of the other surfaces and one from seed keywords. */
async function seedOtherSurfaces(opsimath, at, today, servicesUrl, say) {
  const names = RIVALS.map((host) => host.replace('.example', ''));
  for (const [market, start, what] of [
    ['video-us-en', 'vidlantern.example/on', 'video search'],
    ['marketplace-us-en', 'stallbridge.example/stall', 'the marketplace'],
  ]) {
    say(`Looking us and four rivals up in ${what}…`);
    const own = `${start}/tarnwick`;
    const query = new URLSearchParams({ market, date: today, target: own, limit: '400' });
    const { rows } = await (await fetch(`${servicesUrl}/v1/rankings?${query}`)).json();
    const best = rows.filter((row) => row.organic !== null).sort((a, b) => a.organic - b.organic)[0].address;
    await opsimath.post(`${at}/targets`, { side: 'own', market, text: `${own}\n${best}` });
    const rivals = names.map((name) => `${start}/${name}`);
    await opsimath.post(`${at}/targets`, { side: 'rival', market, text: rivals.join('\n') });
    const lookUp = await opsimath.post(`${at}/look-ups`, {
      market,
      date: today,
      targets: [own, ...rivals],
      words: market === 'video-us-en' ? ['channel keywords'] : [],
      extent: 'captures',
      captureMost: 400,
    });
    await opsimath.finished(lookUp.job.id);
  }
  const seeds = await opsimath.post(`${at}/look-ups`, {
    market: MARKET,
    date: today,
    seeds: ['frame bag', 'handlebar bag'],
    ways: ['suggestions', 'phrase', 'also ranked', 'spellings'],
    extent: 'metrics',
  });
  await opsimath.finished(seeds.job.id);
  for (const [text, level, reason] of [
    ['handmade', 'doubtful', 'only two of our bags are'],
    ['leather', 'forbidden', 'we use none'],
  ])
    await opsimath.post(`${at}/banned-words`, { text, level, reason });
}

/** Own search performance as somebody would have exported it. */
async function performanceCsv(servicesUrl, from, to) {
  const lines = [
    'Own search performance',
    `Period,${from} to ${to}`,
    '',
    'Date,Query,Page,Clicks,Impressions,CTR,Average position',
  ];
  let cursor = '';
  do {
    const query = new URLSearchParams({ market: MARKET, site: OWN, from, to, ...(cursor ? { cursor } : {}) });
    const answer = await (await fetch(`${servicesUrl}/v1/own/performance?${query}`)).json();
    for (const { date, query: text, page, clicks, impressions, position } of answer.rows) {
      lines.push(
        `${date},${text},https://${page},${clicks},${impressions},${((100 * clicks) / impressions).toFixed(2)}%,${position}`,
      );
    }
    cursor = answer.cursor;
  } while (cursor);
  return `${lines.join('\n')}\n`;
}

/** Own ad search terms as somebody would have exported them. */
async function adTermsCsv(servicesUrl, from, to) {
  const lines = [
    'Date,Search term,Keyword,Match type,Landing page,Impressions,Clicks,Cost,Conversions,Conversion value',
  ];
  let cursor = '';
  do {
    const query = new URLSearchParams({ market: MARKET, site: OWN, from, to, ...(cursor ? { cursor } : {}) });
    const answer = await (await fetch(`${servicesUrl}/v1/own/ad-terms?${query}`)).json();
    for (const row of answer.rows)
      lines.push(
        `${row.date},${row.term},${row.keyword},${row.match},https://${row.landing},${row.impressions},${row.clicks},${row.cost},${row.conversions},${row.value}`,
      );
    cursor = answer.cursor;
  } while (cursor);
  return `${lines.join('\n')}\n`;
}
