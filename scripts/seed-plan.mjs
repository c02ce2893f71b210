// What a team has judged, planned, written and published in the demo.
const MARKET = 'web-us-en';
const OFF = /\b(cheap|diy|sewing|pattern|motorcycle|women|kids)\b/;
const ADJACENT = /\b(rack|racks|mount|mounts|light|lights|rain cover|fender|fenders|bell|tools?)\b/;

const after = (date, days) => new Date(Date.parse(date) + days * 86_400_000).toISOString().slice(0, 10);

export async function seedPlan(opsimath, at, today, compare, say) {
  say('Judging keywords, keeping lists…');
  const scope = { market: MARKET, date: today, compare };
  const query = `market=${MARKET}&date=${today}&compare=${compare}`;
  const { rows } = await opsimath.get(`${at}/gaps?${query}&sort=-demand&limit=220`);
  const verdictOf = (text) => (OFF.test(text) ? 'off' : ADJACENT.test(text) ? 'adjacent' : 'fit');
  const judged = rows.slice(0, 140).map(({ id, text }) => ({ keyword: id, verdict: verdictOf(text) }));
  await opsimath.post(`${at}/verdicts`, { changes: judged, person: 'Ada' });
  const named = (name, words) => ({
    market: MARKET,
    name,
    keywords: rows.filter(({ text }) => words.test(text) && !OFF.test(text)).map(({ id }) => id),
  });
  await opsimath.post(`${at}/lists`, named('Bikepacking', /bikepacking|frame bag|seat pack/));
  await opsimath.post(`${at}/lists`, named('Panniers', /pannier/));

  say('Filling two rounds…');
  const people = [
    { name: 'Ada', days: 3 },
    { name: 'Bo', days: 2 },
  ];
  const monday = after(today, (8 - new Date(today).getUTCDay()) % 7 || 7);
  const rounds = [];
  for (const [name, from, most] of [
    ['Round 1', -14, 10],
    ['Round 2', 0, 12],
  ]) {
    const { id } = await opsimath.post(`${at}/rounds`, {
      name,
      starts: after(monday, from),
      ends: after(monday, from + 11),
      most,
      people,
    });
    await opsimath.post(`${at}/rounds/${id}/fill`, scope);
    rounds.push(id);
  }
  const board = await opsimath.get(`${at}/rounds?${query}`);
  const [first, second] = board.rounds.map(({ tasks }) => tasks);
  const { tasks: picked } = await opsimath.post(`${at}/tasks`, {
    ...scope,
    round: rounds[1],
    picks: board.queue.lines.slice(0, 2).map(({ lead, action }) => ({ keyword: lead.id, action })),
  });
  await opsimath.patch(`${at}/tasks`, {
    changes: [
      { id: picked[0], state: 'put off', until: after(today, 45), why: 'the new catalogue comes first' },
      { id: picked[1], state: 'dropped', why: 'the page goes in spring' },
      ...second.slice(0, 4).map(({ id }, n) => ({ id, due: after(monday, 2 + 2 * n) })),
    ],
  });

  say('Writing and publishing drafts…');
  const write = async (task, over = {}) => {
    const { id } = await opsimath.post(`${at}/drafts`, {
      market: MARKET,
      date: today,
      kind: 'page',
      name: task.lead.text,
      address: task.address,
      task: task.id,
      keywords: task.keywords.filter(({ clicks }) => clicks > 0).map((keyword) => keyword.id),
      title: task.title,
      ...over,
    });
    return id;
  };
  const retitled = first.filter(({ action }) => action === 'retitle');
  for (const task of retitled.slice(0, 2))
    await opsimath.post(`${at}/drafts/${await write(task)}/publish`, { way: 'service', person: 'Ada' });
  const byHand = retitled[2] ?? second.find(({ action }) => action === 'retitle');
  await opsimath.post(`${at}/drafts/${await write(byHand)}/publish`, {
    way: 'by hand',
    date: after(today, -3),
    person: 'Bo',
  });
  for (const task of retitled.slice(3, 5)) await write(task);
  const planned = second.find(({ address }) => address === '') ?? second[0];
  await write(planned, { start: 'empty' });
  await seedAdGroup(opsimath, at, today, rows.filter(({ text }) => /pannier/.test(text)).slice(0, 10));
  await seedOtherDrafts(opsimath, at, today);
}

/** An ad group with a budget, on keywords whose auctions were observed. */
async function seedAdGroup(opsimath, at, today, rows) {
  const keywords = rows.map(({ id }) => id);
  const observed = await opsimath.post(`${at}/auctions`, { market: MARKET, date: today, days: 14, keywords });
  await opsimath.finished(observed.id);
  const { id } = await opsimath.post(`${at}/drafts`, {
    market: MARKET,
    date: today,
    kind: 'ad group',
    name: 'Panniers',
    address: 'tarnwick.example',
    keywords,
  });
  const bids = keywords.map((keyword) => ({ keyword, match: 'exact', bid: null }));
  const fields = { budget: '60', bids: JSON.stringify(bids), negatives: 'free pattern' };
  await opsimath.patch(`${at}/drafts/${id}`, { revision: 1, fields });
}

/** A video, its channel, and a listing whose hidden slots are packed. */
async function seedOtherDrafts(opsimath, at, today) {
  for (const [market, kind] of [
    ['video-us-en', 'video'],
    ['marketplace-us-en', 'listing'],
  ]) {
    const { rows } = await opsimath.get(`${at}/gaps?market=${market}&date=${today}&limit=200`);
    const own = rows.find(({ ownAddress }) => ownAddress !== null);
    const served = rows.filter(({ ownAddress }) => ownAddress === own.ownAddress);
    const others = rows.filter((row) => row.ownAddress === null).slice(0, 12);
    const keywords = [...served, ...others].slice(0, 16).map(({ id }) => id);
    await opsimath.post(`${at}/verdicts`, {
      changes: keywords.map((keyword) => ({ keyword, verdict: 'fit' })),
      person: 'Ada',
    });
    await opsimath.post(`${at}/drafts`, {
      market,
      date: today,
      kind,
      name: own.text,
      address: own.ownAddress,
      keywords,
    });
    if (kind !== 'video') continue;
    await opsimath.post(`${at}/drafts`, {
      market,
      date: today,
      kind: 'channel',
      name: 'Our channel',
      address: 'vidlantern.example/on/tarnwick',
      keywords: keywords.slice(0, 8),
    });
  }
}
