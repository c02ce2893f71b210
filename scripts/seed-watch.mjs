// What was changed some weeks before the demo begins, and captures of every day since: so that effects can be told.
const MARKET = 'web-us-en';
const EDITED = 5;
const CAPTURED = 400;
const DAYS_BEFORE = 16;

const after = (date, days) => new Date(Date.parse(date) + days * 86_400_000).toISOString().slice(0, 10);

/** The day on which the services’ clock stands before anything is done, so many days before the demo’s own. */
export const EARLIER_DAYS = 40;

/** Publishes new titles for pages that stand just off the front, and notes a price that was changed with one of them. */
export async function publishEarlier(opsimath, at, targets, say) {
  say('Publishing some changes weeks ago…');
  const { today } = await opsimath.get('/services');
  const lookUp = await opsimath.post(`${at}/look-ups`, {
    market: MARKET,
    date: today,
    targets,
    extent: 'captures',
    captureMost: CAPTURED,
  });
  await opsimath.finished(lookUp.job.id);
  const { rows } = await opsimath.get(`${at}/gaps?market=${MARKET}&date=${today}&sort=-demand&limit=400`);
  const edited = new Map();
  for (const { id, text, own, ownAddress } of rows) {
    if (typeof own !== 'number' || own < 6 || own > 45 || !ownAddress?.includes('/')) continue;
    if (edited.size >= EDITED || edited.has(ownAddress)) continue;
    edited.set(ownAddress, { id, text });
  }
  const aimed = [];
  for (const [address, { id, text }] of edited) {
    const draft = await opsimath.post(`${at}/drafts`, {
      market: MARKET,
      date: today,
      kind: 'page',
      name: text,
      address,
      keywords: [id],
    });
    const { revision, fields } = await opsimath.get(`${at}/drafts/${draft.id}?date=${today}`);
    const title = `${text.charAt(0).toUpperCase()}${text.slice(1)} | Tarnwick`;
    await opsimath.patch(`${at}/drafts/${draft.id}`, { revision, fields: { ...fields, title } });
    await opsimath.post(`${at}/drafts/${draft.id}/publish`, { way: 'service', person: 'Ada' });
    aimed.push(id);
  }
  const [[address, { id }]] = edited;
  await opsimath.post(`${at}/published`, {
    market: MARKET,
    address,
    kind: 'price',
    date: after(today, 4),
    keywords: [id],
    note: '129 to 119 dollars',
    person: 'Bo',
  });
  return aimed;
}

/** Captures of every day around those changes, and a plan that goes on with them. */
export async function followSince(opsimath, at, today, keywords, say) {
  say('Capturing every day since…');
  const days = EARLIER_DAYS + DAYS_BEFORE;
  const dates = Array.from({ length: days }, (_, n) => after(today, n - days + 1));
  const captured = await opsimath.post(`${at}/captures`, { market: MARKET, dates, keywords });
  await opsimath.finished(captured.id);
  await opsimath.put(`${at}/watch/plan`, { market: MARKET, weekdays: [1, 4] });
}

/** Visits of our site by source, six months of them, as somebody would have exported them. */
export async function bringVisits(opsimath, at, today) {
  const sources = {
    'Organic search': 4200,
    'Paid search': 1900,
    Direct: 3600,
    Newsletter: 1100,
    Referral: 900,
  };
  const months = Array.from({ length: 6 }, (_, n) => {
    const day = new Date(`${today.slice(0, 7)}-01T00:00:00Z`);
    day.setUTCMonth(day.getUTCMonth() - 6 + n);
    return day.toISOString().slice(0, 7);
  });
  const lines = months.flatMap((month, n) =>
    Object.entries(sources).map(
      ([source, visits], k) => `${month},${source},${Math.round(visits * (1 + 0.04 * n * (2 - k)))}`,
    ),
  );
  const file = await opsimath.upload(
    `${at}/imports?name=visits.csv&kind=visits`,
    ['Month,Source,Visits', ...lines].join('\n'),
  );
  const { reading } = file.preview;
  const started = await opsimath.post(`/imports/${file.import.id}/start`, { market: MARKET, reading });
  await opsimath.finished(started.job.id);
}
