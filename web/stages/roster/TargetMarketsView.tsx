import type { Position } from '@opsimath/contract/api/position';
import type { Target } from '@opsimath/contract/api/targets';
import { Problem } from '../../parts/words/Problem';
import { Waiting } from '../../parts/words/Waiting';
import { count, counted } from '../../parts/words/figures';
import { useTargetMarketsQuery } from '../../state/rosterApi';
import { useScope } from '../../state/useScope';
import { t, wordOf } from '../../words/t';

/** One target in all markets of its surface, side by side. */
export function TargetMarketsView({ target }: { target: Target }) {
  const { project, scope } = useScope();
  const { data, error } = useTargetMarketsQuery({ project, target: target.id, date: scope.date });
  if (error) return <Problem error={error} />;
  if (!data) return <Waiting for={t('roster:TargetMarketsView.itsMarkets')} />;
  return (
    <>
      <table className="ledger spaced" aria-label={t('roster:TargetMarketsView.markets')}>
        <thead>
          <tr>
            <th>{t('roster:TargetMarketsView.market')}</th>
            <th className="figure">{t('roster:TargetMarketsView.keywords')}</th>
            <th className="figure">{t('roster:TargetMarketsView.inTheFront')}</th>
            <th className="figure" title={t('roster:TargetMarketsView.itsWorstPositionOfAnyKeyword')}>
              {t('roster:TargetMarketsView.worst')}
            </th>
          </tr>
        </thead>
        <tbody>
          {data.markets.map((market) => (
            <tr key={market.code}>
              <td>
                {market.placeName}
                {' · '}
                {market.languageName}
              </td>
              <td className="figure">
                {market.keywords === 0 ? t('roster:TargetMarketsView.noneKnown') : count(market.keywords)}
              </td>
              <td className="figure">{market.keywords === 0 ? '–' : count(market.inFront)}</td>
              <td className="figure">{count(market.worst)}</td>
            </tr>
          ))}
        </tbody>
      </table>
      {data.total > 0 && (
        <table className="ledger spaced" aria-label={t('roster:TargetMarketsView.keywordsByMarket')}>
          <thead>
            <tr>
              <th>{t('roster:TargetMarketsView.keyword')}</th>
              {data.markets.map((market) => (
                <th
                  key={market.code}
                  className="figure"
                  title={`${market.placeName} · ${market.languageName}`}
                >
                  {market.code.replace(/^[a-z]+-/, '')}
                </th>
              ))}
              <th className="figure" title={t('roster:TargetMarketsView.marketsInWhichItIsWithin')}>
                {t('roster:TargetMarketsView.fronts')}
              </th>
              <th className="figure">{t('roster:TargetMarketsView.worst')}</th>
            </tr>
          </thead>
          <tbody>
            {data.rows.map((row) => (
              <tr key={row.text}>
                <td>{row.text}</td>
                {row.positions.map((position, m) => (
                  <td key={data.markets[m]!.code} className="figure">
                    <Place position={position} />
                  </td>
                ))}
                <td className="figure">{row.inFront}</td>
                <td className="figure">{count(row.worst)}</td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
      <p className="faint">
        {t('roster:TargetMarketsView.positionsAreNeverAveraged')}{' '}
        {data.total > data.rows.length &&
          `${t('roster:TargetMarketsView.theFirstRowsOfKeywords', { rows: data.rows.length, keywords: counted(data.total, 'keyword') })} `}
        {t('roster:TargetMarketsView.aMarketWhereNobodyLookedSays')}
      </p>
    </>
  );
}

function Place({ position }: { position: Position }) {
  return typeof position === 'number' ? <>{position}</> : <span className="faint">{wordOf(position)}</span>;
}
