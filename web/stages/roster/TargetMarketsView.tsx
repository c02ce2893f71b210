import type { Position } from '@opsimath/contract/api/position';
import type { Target } from '@opsimath/contract/api/targets';
import { Problem } from '../../parts/words/Problem';
import { Waiting } from '../../parts/words/Waiting';
import { count, counted } from '../../parts/words/figures';
import { useTargetMarketsQuery } from '../../state/rosterApi';
import { useScope } from '../../state/useScope';

/** One target in all markets of its surface, side by side. */
export function TargetMarketsView({ target }: { target: Target }) {
  const { project, scope } = useScope();
  const { data, error } = useTargetMarketsQuery({ project, target: target.id, date: scope.date });
  if (error) return <Problem error={error} />;
  if (!data) return <Waiting for="its markets" />;
  return (
    <>
      <table className="ledger spaced" aria-label="Markets">
        <thead>
          <tr>
            <th>Market</th>
            <th className="figure">Keywords</th>
            <th className="figure">In the front</th>
            <th className="figure" title="Its worst position of any keyword held in this market">
              Worst
            </th>
          </tr>
        </thead>
        <tbody>
          {data.markets.map((market) => (
            <tr key={market.code}>
              <td>
                {market.placeName} · {market.languageName}
              </td>
              <td className="figure">{market.keywords === 0 ? 'none known' : count(market.keywords)}</td>
              <td className="figure">{market.keywords === 0 ? '–' : count(market.inFront)}</td>
              <td className="figure">{count(market.worst)}</td>
            </tr>
          ))}
        </tbody>
      </table>
      {data.total > 0 && (
        <table className="ledger spaced" aria-label="Keywords by market">
          <thead>
            <tr>
              <th>Keyword</th>
              {data.markets.map((market) => (
                <th
                  key={market.code}
                  className="figure"
                  title={`${market.placeName} · ${market.languageName}`}
                >
                  {market.code.replace(/^[a-z]+-/, '')}
                </th>
              ))}
              <th className="figure" title="Markets in which it is within the front">
                Fronts
              </th>
              <th className="figure">Worst</th>
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
        Positions are never averaged.{' '}
        {data.total > data.rows.length &&
          `The first ${data.rows.length} of ${counted(data.total, 'keyword')}. `}
        A market where nobody looked says unknown.
      </p>
    </>
  );
}

function Place({ position }: { position: Position }) {
  return typeof position === 'number' ? <>{position}</> : <span className="faint">{position}</span>;
}
