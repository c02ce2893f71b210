import type { Around } from '@opsimath/contract/api/around';
import type { HistoryPoint } from '@opsimath/contract/api/dossier';
import type { ComparisonScope } from '@opsimath/contract/api/gapQuery';
import { Problem } from '../words/Problem';
import { count, counted, decimal, percent, spelledDay, worth } from '../words/figures';
import { useAroundQuery } from '../../state/standingApi';
import { useScope } from '../../state/useScope';
import { Told } from '../../words/Told';
import { FrontFigures } from './FrontFigures';
import { t, wordOf } from '../../words/t';

const MONTHS = t('parts:AroundParts.januaryFebruaryMarchAprilMayJune').split(' ');
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
      <FrontFigures around={data} currency={currency} history={history} />
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
