import type { Around } from '@opsimath/contract/api/around';
import type { HistoryPoint } from '@opsimath/contract/api/dossier';
import type { ComparisonScope } from '@opsimath/contract/api/gapQuery';
import { Problem } from '../words/Problem';
import { count, counted, decimal, percent, spelledDay, worth } from '../words/figures';
import { useAroundQuery } from '../../state/standingApi';
import { useScope } from '../../state/useScope';

const MONTHS = 'January February March April May June July August September October November December'.split(
  ' ',
);
const MOST_EARLIER = 4;
const QUARTERS = ['', 'lowest quarter', 'second quarter', 'third quarter', 'highest quarter'];

interface AroundPartsProps {
  project: number;
  keyword: number;
  scope: ComparisonScope;
  currency: string;
  /** F: positions that count as the first page. */
  front: number;
  history: readonly HistoryPoint[];
}

/** What lies around a keyword: its front in figures, who of ours could answer, easier neighbours, season, markets. */
export function AroundParts({ project, keyword, scope, currency, front, history }: AroundPartsProps) {
  const { data, error } = useAroundQuery({ project, keyword, scope });
  if (error) return <Problem error={error} />;
  if (!data) return null;
  return (
    <>
      <Demand around={data} date={scope.date} front={front} />
      <Front around={data} currency={currency} history={history} />
      <Candidates around={data} />
      <Neighbours around={data} />
      <Rough around={data} currency={currency} />
    </>
  );
}

function Demand({
  around: { demand, markets },
  date,
  front,
}: {
  around: Around;
  date: string;
  front: number;
}) {
  // A place is part of its market: in the sum it would count twice.
  const known = markets.filter(({ volume, within }) => volume !== null && within === null);
  const all = known.reduce((sum, { volume }) => sum + volume!, 0);
  const unknown = markets
    .filter(({ volume, within }) => volume === null && within === null)
    .map(({ place }) => place);
  const placed = markets.map(({ own }) => own).filter((own) => own !== 'unknown');
  return (
    <section className="section">
      <h2>Season, trend, markets</h2>
      <p className="soft">
        {demand.peak === null ? (
          'Too few months are known for a season. '
        ) : (
          <>
            Peak in <b>{MONTHS[demand.peak]}</b>, season strength {decimal(demand.strength, 2)}; start by{' '}
            <b>{spelledDay(demand.startBy!)}</b>
            {demand.startBy! < date && ' (past)'}.{' '}
          </>
        )}
        {demand.trend === null
          ? 'Trend unknown.'
          : `Trend ${demand.trend}: ${percent(Math.expm1(demand.slope!), 0)} a year, p ${decimal(demand.p, 3)}.`}
      </p>
      <p className="soft">
        {markets.map(({ market, place, within, volume, own }) => (
          <span key={market} className="of-market">
            {place}: <b>{volume === null ? 'volume unknown' : count(volume)}</b>
            {volume !== null && known.length > 1 && within === null && ` (${percent(volume / all, 0)})`}, we{' '}
            {typeof own === 'number' ? `at ${own}` : own}
          </span>
        ))}
        {markets.length > 1 && (
          <span>
            {known.length === 0 ? 'No market’s volume is known' : <b>{count(all)} in all</b>}
            {known.length > 0 && unknown.length > 0 && ` of ${counted(known.length, 'market')} known`}
            {unknown.length > 0 && `; unknown in ${unknown.join(', ')}`}.{' '}
          </span>
        )}
        {placed.length > 1 && (
          <span className="faint">
            {placed.filter((own) => typeof own === 'number' && own <= front).length} of {placed.length} on the
            front, worst {placed.includes('absent') ? 'absent' : Math.max(...placed.map(Number))}
          </span>
        )}
      </p>
    </section>
  );
}

/** Ads on earlier captures, so that it is seen whether they grow. */
function adsBefore(history: readonly HistoryPoint[], day: string): string {
  const earlier = history.filter(({ ads, date }) => ads !== null && date < day);
  return earlier.length === 0
    ? ''
    : `; before, ${earlier
        .slice(-MOST_EARLIER)
        .map(({ date, ads }) => `${ads} on ${spelledDay(date)}`)
        .join(', ')}`;
}

/** A block with its slot on the page, and the holder's place within it where several are named. */
function blockWords({
  kind,
  slot,
  holder,
  place,
  of,
}: NonNullable<Around['front']>['blocks'][number]): string {
  const within = of > 1 ? `, place ${place} of ${of} in it` : '';
  return `${kind} at slot ${slot}${within}: ${holder ?? 'nobody'}`;
}

interface FrontProps {
  around: Around;
  currency: string;
  history: readonly HistoryPoint[];
}

function Front({ around: { front, before }, currency, history }: FrontProps) {
  if (front === null) return null;
  const figure = (name: string, value: number): string =>
    name === 'price' ? worth(value) : decimal(value, name === 'rating' ? 1 : 0);
  return (
    <section className="section">
      <h2>The front in figures</h2>
      <table className="ledger front-figures">
        <thead>
          <tr>
            <th />
            <th className="figure">Lowest quarter to</th>
            <th className="figure">Half at</th>
            <th className="figure">Highest from</th>
            <th className="figure">Ours</th>
          </tr>
        </thead>
        <tbody>
          {front.quartiles.map(({ name, low, middle, high, ours, quarter, known, least, most }) => (
            <tr key={name} title={`${figure(name, least)} to ${figure(name, most)}, of ${known} results`}>
              <th scope="row">{name === 'price' ? `price, ${currency}` : name}</th>
              <td className="figure">{figure(name, low)}</td>
              <td className="figure">{figure(name, middle)}</td>
              <td className="figure">{figure(name, high)}</td>
              <td className="figure" title={quarter === null ? undefined : QUARTERS[quarter]}>
                {ours === null ? <span className="faint">unknown</span> : figure(name, ours)}
                {quarter !== null && <span className="faint"> {quarter}/4</span>}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      <ul className="soft told">
        <li>
          <b>{front.exactRivals}</b> exact rivals of {front.results} on the front, {front.allWords} with all
          words in the title; to depth {front.depth}, {front.exactInDepth.rivals} of{' '}
          {counted(front.exactInDepth.results, 'result')} (
          {percent(front.exactInDepth.rivals / Math.max(1, front.exactInDepth.results), 0)}).
          {before &&
            ` Before us stand ${before.organic} organic, ${before.paid} paid, ${counted(before.features, 'feature')}; we are on page ${before.page}.`}
        </li>
        <li>
          Titles: phrase first in {front.phrasePlace.first}, later in {front.phrasePlace.later};{' '}
          {front.capitals > 0 && `a word in capitals in ${front.capitals}; `}
          {front.patterns.length > 0
            ? front.patterns.map(({ text, titles }) => `“${text}” in ${titles}`).join(', ')
            : 'no two share a word'}
          .
        </li>
        {front.kinds.length > 0 && (
          <li>Kinds: {front.kinds.map(({ kind, slots }) => `${kind} ${slots}`).join(', ')}.</li>
        )}
        {front.several.length > 0 && (
          <li>
            Several slots:{' '}
            {front.several.map(({ owner, positions }) => `${owner} at ${positions.join(', ')}`).join('; ')}.
          </li>
        )}
        <li>
          {counted(front.paidSlots, 'paid slot')} on the page{adsBefore(history, front.date)}.{' '}
          {front.blocks.length > 0 && `${front.blocks.map(blockWords).join('; ')}.`}
        </li>
        {front.weak.length > 0 && (
          <li>
            Weak places, seldom watched and long there: {front.weak.join(', ')}. A fresh edit would not be
            strength.
          </li>
        )}
      </ul>
    </section>
  );
}

const COVERED = {
  whole: 'the whole phrase in one field',
  'one field': 'all in one field',
  spread: 'all, across fields',
  none: 'none in any field',
};

/** Badly placed is not the same as not found, nor is never looked. */
function foundAt(position: number | null, lookedTo: number | null): string {
  if (position !== null) return `found at ${position}`;
  return lookedTo === null ? 'never captured' : `absent to depth ${lookedTo}`;
}

function Candidates({ around: { candidates, lookedTo } }: { around: Around }) {
  return (
    <section className="section">
      <h2>Which of ours could answer</h2>
      {candidates.length === 0 && <p className="soft">None of ours ranks or holds half of its words.</p>}
      <ul className="told">
        {candidates.map(({ address, title, position, coverage, held, of, missing, index }) => (
          <li key={address}>
            <a href={`https://${address}`} target="_blank" rel="noreferrer noopener">
              {title || address}
            </a>
            <div className="faint">
              {foundAt(position, lookedTo)} · words:{' '}
              {coverage === 'part' ? `${held} of ${of}` : COVERED[coverage]}
              {missing.length > 0 && `, lacks ${missing.join(', ')}`} ·{' '}
              {index === null ? 'index never checked' : `${index.state} (${spelledDay(index.checkedOn)})`}
            </div>
          </li>
        ))}
      </ul>
      {candidates.filter(({ position }) => position !== null).length > 1 && (
        <p className="soft">Several of ours share this result page: they may take clicks from each other.</p>
      )}
    </section>
  );
}

function Neighbours({ around: { neighbours } }: { around: Around }) {
  const { change } = useScope();
  if (neighbours.length === 0) return null;
  return (
    <section className="section">
      <h2>Easier neighbours</h2>
      <ul className="told">
        {neighbours.map(({ id, text, chance, worthAMonth, kind, why }) => (
          <li key={id}>
            <button className="plain" onClick={() => change({ open: id })}>
              <b>{text}</b>
            </button>{' '}
            <span className="faint">
              chance {decimal(chance, 2)}, {worth(worthAMonth)} a month, {kind}, {why}
            </span>
          </li>
        ))}
      </ul>
    </section>
  );
}

function Rough({ around: { rough }, currency }: { around: Around; currency: string }) {
  return (
    <section className="section">
      <h2 title="They help to think; none is part of priority">Rough figures</h2>
      <ul className="soft told">
        <li>
          Volume to results {rough.volumeByResults === null ? 'unknown' : decimal(rough.volumeByResults, 2)}{' '}
          searches a month for a thousand; volume to exact rivals{' '}
          {rough.volumeByExactRivals === null ? 'unknown' : count(rough.volumeByExactRivals)}.
        </li>
        <li>
          {rough.clicksASearch === null
            ? 'Clicks for each search unknown: its page was never captured.'
            : `Of 100 searches about ${decimal(100 * rough.clicksASearch, 0)} click a result of the front, what stands above it taken off (§3, estimated): the fewer, the weaker the keyword even at 1.`}
        </li>
        <li>
          {rough.turnover === null
            ? 'Turnover of the front unknown: it needs a price on the front and a conversion rate.'
            : `Turnover of the front about ${worth(rough.turnover)} ${currency} a month, ${worth(rough.turnoverASearch)} a search (estimated: demand × clicks of the front × ${percent(rough.conversionRate)} × ${worth(rough.price)}).`}
        </li>
        {rough.borrowed !== null && (
          <li>
            Borrowed volume about {count(rough.borrowed.volume)} a month: that of {rough.borrowed.from} ×{' '}
            {decimal(rough.borrowed.ratio, 2)}, the median of {counted(rough.borrowed.pairs, 'keyword')} known
            on both. Estimated; part of demand only where the settings say so.
          </li>
        )}
      </ul>
    </section>
  );
}
