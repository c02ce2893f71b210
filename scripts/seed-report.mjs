const MARKET = 'web-us-en';
const WORDED = ' Start with the first three: they need no new page.';

/** A gap report worded a little, frozen as it stood at the earlier date and as it stands; one on the round. */
export async function seedReports(opsimath, at, today, compare, say) {
  say('Writing reports…');
  const made = await opsimath.post(`${at}/reports`, { template: 'gaps', title: 'Where Tarnwick can win' });
  const content = await opsimath.get(
    `${at}/reports/${made.id}/content?market=${MARKET}&date=${today}&compare=${compare}`,
  );
  const document = structuredClone(made.document);
  const [summary] = content.sections[0].blocks;
  const [first, ...rest] = summary.passages;
  document.sections[0].text = [{ ...first, runs: [...first.runs, { text: WORDED }] }, ...rest];
  await opsimath.put(`${at}/reports/${made.id}`, { document, revision: made.revision });
  await opsimath.post(`${at}/reports/${made.id}/frozen`, { market: MARKET, date: compare });
  await opsimath.post(`${at}/reports/${made.id}/frozen`, { market: MARKET, date: today, compare });
  await opsimath.put(`${at}/reports/${made.id}/plan`, { market: MARKET, rhythm: 'once a month' });
  const rounds = await opsimath.get(`${at}/rounds?market=${MARKET}&date=${today}`);
  await opsimath.post(`${at}/reports`, { template: 'round', round: rounds.rounds[0].id });
}
