import type { Around } from '@opsimath/contract/api/around';
import type { HistoryPoint } from '@opsimath/contract/api/dossier';
import type { ComparisonScope } from '@opsimath/contract/api/gapQuery';
import { Problem } from '../words/Problem';
import { count, counted, decimal, percent, spelledDay, worth } from '../words/figures';
import { useAroundQuery } from '../../state/standingApi';
import { useScope } from '../../state/useScope';
import { Told } from '../../words/Told';
import { t, wordOf } from '../../words/t';

const MONTHS = t('parts:AroundParts.januaryFebruaryMarchAprilMayJune').split(' ');
const MOST_EARLIER = 4;
const QUARTERS = [
  '',
  t('parts:AroundParts.lowestQuarter'),
  t('parts:AroundParts.secondQuarter'),
  t('parts:AroundParts.thirdQuarter'),
  t('parts:AroundParts.highestQuarter'),
];

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
      <h2>{t('parts:AroundParts.seasonTrendMarkets')}</h2>
      <p className="soft">
        {demand.peak === null ? (
          `${t('parts:AroundParts.tooFewMonthsAreKnownFor')} `
        ) : (
          <>
            {t('parts:AroundParts.peakIn')} <b>{MONTHS[demand.peak]}</b>
            <Told
              id="parts:AroundParts.seasonStrengthStrengthStartBy"
              values={{ strength: decimal(demand.strength, 2), startBy: spelledDay(demand.startBy!) }}
              parts={{ b: <b /> }}
            />
            {demand.startBy! < date && ` ${t('parts:AroundParts.past')}`}.{' '}
          </>
        )}
        {demand.trend === null
          ? t('parts:AroundParts.trendUnknown')
          : t('parts:AroundParts.trendTrendExpm1AYearP', {
              trend: wordOf(demand.trend),
              expm1: percent(Math.expm1(demand.slope!), 0),
              p: decimal(demand.p, 3),
            })}
      </p>
      <p className="soft">
        {markets.map(({ market, place, within, volume, own }) => (
          <span key={market} className="of-market">
            {place}
            {': '}
            <b>{volume === null ? t('parts:AroundParts.volumeUnknown') : count(volume)}</b>
            {volume !== null && known.length > 1 && within === null && ` (${percent(volume / all, 0)})`}
            {t('parts:AroundParts.weWhich', {
              which: typeof own === 'number' ? t('parts:AroundParts.atOwn', { own }) : wordOf(own),
            })}
          </span>
        ))}
        {markets.length > 1 && (
          <span>
            {known.length === 0 ? (
              t('parts:AroundParts.noMarketSVolumeIsKnown')
            ) : (
              <b>{t('parts:AroundParts.allInAll', { all: count(all) })}</b>
            )}
            {known.length > 0 &&
              unknown.length > 0 &&
              ` ${t('parts:AroundParts.ofMarketsKnown', { markets: counted(known.length, 'market') })}`}
            {unknown.length > 0 && t('parts:AroundParts.unknownInUnknown', { unknown: unknown.join(', ') })}
            .{' '}
          </span>
        )}
        {placed.length > 1 && (
          <span className="faint">
            {t('parts:AroundParts.placedOfPlaced2OnTheFront', {
              placed: placed.filter((own) => typeof own === 'number' && own <= front).length,
              placed2: placed.length,
              which: placed.includes('absent')
                ? t('parts:AroundParts.absent')
                : Math.max(...placed.map(Number)),
            })}
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
    : t('parts:AroundParts.beforeEarlier', {
        earlier: earlier
          .slice(-MOST_EARLIER)
          .map(({ date, ads }) => t('parts:AroundParts.adsOnDate', { ads, date: spelledDay(date) }))
          .join(', '),
      });
}

/** A block with its slot on the page, and the holder's place within it where several are named. */
function blockWords({
  kind,
  slot,
  holder,
  place,
  of,
}: NonNullable<Around['front']>['blocks'][number]): string {
  const within = of > 1 ? t('parts:AroundParts.placePlaceOfOfInIt', { place, of }) : '';
  return t('parts:AroundParts.kindAtSlotSlotWithinHolder', {
    kind,
    slot,
    within,
    holder: holder ?? t('parts:AroundParts.nobody'),
  });
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
      <h2>{t('parts:AroundParts.theFrontInFigures')}</h2>
      <table className="ledger front-figures">
        <thead>
          <tr>
            <th />
            <th className="figure">{t('parts:AroundParts.lowestQuarterTo')}</th>
            <th className="figure">{t('parts:AroundParts.halfAt')}</th>
            <th className="figure">{t('parts:AroundParts.highestFrom')}</th>
            <th className="figure">{t('parts:AroundParts.ours')}</th>
          </tr>
        </thead>
        <tbody>
          {front.quartiles.map(({ name, low, middle, high, ours, quarter, known, least, most }) => (
            <tr
              key={name}
              title={t('parts:AroundParts.figureToFigure2OfKnownResults', {
                figure: figure(name, least),
                figure2: figure(name, most),
                known,
              })}
            >
              <th scope="row">
                {name === 'price' ? t('parts:AroundParts.priceCurrency', { currency }) : name}
              </th>
              <td className="figure">{figure(name, low)}</td>
              <td className="figure">{figure(name, middle)}</td>
              <td className="figure">{figure(name, high)}</td>
              <td className="figure" title={quarter === null ? undefined : QUARTERS[quarter]}>
                {ours === null ? (
                  <span className="faint">{t('parts:AroundParts.unknown')}</span>
                ) : (
                  figure(name, ours)
                )}
                {quarter !== null && <span className="faint"> {quarter}/4</span>}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      <ul className="soft told">
        <li>
          <Told
            id="parts:AroundParts.exactRivalsExactRivalsOfResultsOn"
            values={{
              exactRivals: front.exactRivals,
              results: front.results,
              allWords: front.allWords,
              depth: front.depth,
              rivals: front.exactInDepth.rivals,
              results2: counted(front.exactInDepth.results, 'result'),
              rivals2: percent(front.exactInDepth.rivals / Math.max(1, front.exactInDepth.results), 0),
            }}
            parts={{ b: <b /> }}
          />
          {before &&
            ` ${t('parts:AroundParts.beforeUsStandOrganicOrganicPaid', { organic: before.organic, paid: before.paid, features: counted(before.features, 'feature'), page: before.page })}`}
        </li>
        <li>
          {t('parts:AroundParts.titlesPhraseFirstInFirstLater', {
            first: front.phrasePlace.first,
            later: front.phrasePlace.later,
          })}{' '}
          {front.capitals > 0 &&
            `${t('parts:AroundParts.aWordInCapitalsInCapitals', { capitals: front.capitals })} `}
          {front.patterns.length > 0
            ? front.patterns
                .map(({ text, titles }) => t('parts:AroundParts.textInTitles', { text, titles }))
                .join(', ')
            : t('parts:AroundParts.noTwoShareAWord')}
          .
        </li>
        {front.kinds.length > 0 && (
          <li>
            {t('parts:AroundParts.kindsKinds', {
              kinds: front.kinds.map(({ kind, slots }) => `${kind} ${slots}`).join(', '),
            })}
          </li>
        )}
        {front.several.length > 0 && (
          <li>
            {t('parts:AroundParts.severalSlotsSeveral', {
              several: front.several
                .map(({ owner, positions }) =>
                  t('parts:AroundParts.ownerAtPositions', { owner, positions: positions.join(', ') }),
                )
                .join('; '),
            })}
          </li>
        )}
        <li>
          {t('parts:AroundParts.slotsOnThePageAdsBefore', {
            slots: counted(front.paidSlots, 'paid slot'),
            adsBefore: adsBefore(history, front.date),
          })}{' '}
          {front.blocks.length > 0 && `${front.blocks.map(blockWords).join('; ')}.`}
        </li>
        {front.weak.length > 0 && (
          <li>{t('parts:AroundParts.weakPlacesSeldomWatchedAndLong', { weak: front.weak.join(', ') })}</li>
        )}
      </ul>
    </section>
  );
}

const COVERED = {
  whole: t('parts:AroundParts.theWholePhraseInOneField'),
  'one field': t('parts:AroundParts.allInOneField'),
  spread: t('parts:AroundParts.allAcrossFields'),
  none: t('parts:AroundParts.noneInAnyField'),
};

/** Badly placed is not the same as not found, nor is never looked. */
function foundAt(position: number | null, lookedTo: number | null): string {
  if (position !== null) return t('parts:AroundParts.foundAtPosition', { position });
  return lookedTo === null
    ? t('parts:AroundParts.neverCaptured')
    : t('parts:AroundParts.absentToDepthLookedTo', { lookedTo });
}

function Candidates({ around: { candidates, lookedTo } }: { around: Around }) {
  return (
    <section className="section">
      <h2>{t('parts:AroundParts.whichOfOursCouldAnswer')}</h2>
      {candidates.length === 0 && <p className="soft">{t('parts:AroundParts.noneOfOursRanksOrHolds')}</p>}
      <ul className="told">
        {candidates.map(({ address, title, position, coverage, held, of, missing, index }) => (
          <li key={address}>
            <a href={`https://${address}`} target="_blank" rel="noreferrer noopener">
              {title || address}
            </a>
            <div className="faint">
              {t('parts:AroundParts.foundAtWordsWhich', {
                foundAt: foundAt(position, lookedTo),
                which:
                  coverage === 'part' ? t('parts:AroundParts.heldOfOf', { held, of }) : COVERED[coverage],
              })}
              {missing.length > 0 && t('parts:AroundParts.lacksMissing', { missing: missing.join(', ') })}
              {' ·'}{' '}
              {index === null
                ? t('parts:AroundParts.indexNeverChecked')
                : `${index.state} (${spelledDay(index.checkedOn)})`}
            </div>
          </li>
        ))}
      </ul>
      {candidates.filter(({ position }) => position !== null).length > 1 && (
        <p className="soft">{t('parts:AroundParts.severalOfOursShareThisResult')}</p>
      )}
    </section>
  );
}

function Neighbours({ around: { neighbours } }: { around: Around }) {
  const { change } = useScope();
  if (neighbours.length === 0) return null;
  return (
    <section className="section">
      <h2>{t('parts:AroundParts.easierNeighbours')}</h2>
      <ul className="told">
        {neighbours.map(({ id, text, chance, worthAMonth, kind, why }) => (
          <li key={id}>
            <button className="plain" onClick={() => change({ open: id })}>
              <b>{text}</b>
            </button>{' '}
            <span className="faint">
              {t('parts:AroundParts.chanceChanceWorthAMonthAMonthKind', {
                chance: decimal(chance, 2),
                worthAMonth: worth(worthAMonth),
                kind: wordOf(kind),
                why: wordOf(why),
              })}
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
      <h2 title={t('parts:AroundParts.theyHelpToThinkNoneIs')}>{t('parts:AroundParts.roughFigures')}</h2>
      <ul className="soft told">
        <li>
          {t('parts:AroundParts.volumeToResultsWhichSearchesA', {
            which:
              rough.volumeByResults === null
                ? t('parts:AroundParts.unknown')
                : decimal(rough.volumeByResults, 2),
            which2:
              rough.volumeByExactRivals === null
                ? t('parts:AroundParts.unknown')
                : count(rough.volumeByExactRivals),
          })}
        </li>
        <li>
          {rough.clicksASearch === null
            ? t('parts:AroundParts.clicksForEachSearchUnknownIts')
            : t('parts:AroundParts.of100SearchesAboutClicksASearch', {
                clicksASearch: decimal(100 * rough.clicksASearch, 0),
              })}
        </li>
        <li>
          {rough.turnover === null
            ? t('parts:AroundParts.turnoverOfTheFrontUnknownIt')
            : t('parts:AroundParts.turnoverOfTheFrontAboutTurnover', {
                turnover: worth(rough.turnover),
                currency,
                turnoverASearch: worth(rough.turnoverASearch),
                conversionRate: percent(rough.conversionRate),
                price: worth(rough.price),
              })}
        </li>
        {rough.borrowed !== null && (
          <li>
            {t('parts:AroundParts.borrowedVolumeAboutVolumeAMonth', {
              volume: count(rough.borrowed.volume),
              from: rough.borrowed.from,
              ratio: decimal(rough.borrowed.ratio, 2),
              keywords: counted(rough.borrowed.pairs, 'keyword'),
            })}
          </li>
        )}
      </ul>
    </section>
  );
}
