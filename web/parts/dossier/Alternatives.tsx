import type { Dossier } from '@opsimath/contract/api/dossier';
import { useState } from 'react';
import { LaneHead } from '../lane/LaneHead';
import { count, decimal, percent, worth } from '../words/figures';
import { ForecastLane } from './ForecastLane';

const LANE_WIDTH = 420;

/** What can be done, side by side, and where we would stand then beside what comes without it. */
export function Alternatives({ data }: { data: Dossier }) {
  const { forecast, alternatives, currency, front, row } = data;
  const [chosen, choose] = useState(0);
  if (forecast === null) return null;
  const drawn = alternatives[chosen];
  return (
    <section className="section alternatives" aria-label="What can be done">
      <h2>What can be done</h2>
      <p className="soft">
        Where we will stand in {forecast.horizon} days: <b>{percent(row.asIs ?? 0, 0)}</b> within the first{' '}
        {front} as it is
        {drawn && drawn.chance !== null && (
          <>
            , <b className="after-word">{percent(drawn.chance, 0)}</b> after: {drawn.action}
          </>
        )}
        . Estimated,{' '}
        {forecast.fitted ? 'learnt from captures' : 'by stated defaults until 200 captures are paired'}
        {row.chanceAssumed && '; no capture here: from the position alone'}.
      </p>
      <LaneHead width={LANE_WIDTH} />
      <ForecastLane width={LANE_WIDTH} asIs={forecast.asIs} after={drawn?.after ?? null} />
      {alternatives.length === 0 ? (
        <p className="soft">Nothing that can be done would change where we stand.</p>
      ) : (
        <table className="ledger">
          <thead>
            <tr>
              <th>Action</th>
              <th className="figure" title={`Probability of standing within the first ${front} after it`}>
                Chance
              </th>
              <th className="figure" title="Clicks a month that it adds">
                Clicks
              </th>
              <th
                className="figure"
                title={`What it costs beside work, ${currency} a month; saved is below 0`}
              >
                Cost
              </th>
              <th className="figure" title={`Clicks × worth × fit − cost, ${currency} a month`}>
                Adds
              </th>
              <th className="figure">Days</th>
              <th className="figure" title={`What it adds for a day of work, ${currency} a month`}>
                Priority
              </th>
            </tr>
          </thead>
          <tbody>
            {alternatives.map((one, n) => (
              <tr key={one.action} className={n === chosen ? 'drawn' : undefined}>
                <td>
                  <button
                    className="plain"
                    aria-pressed={n === chosen}
                    title="Draw where we would stand then"
                    onClick={() => choose(n)}
                  >
                    {one.action}
                  </button>
                  {one.action === row.action && <span className="soft"> best</span>}
                </td>
                <td className="figure">{one.chance === null ? 'unknown' : percent(one.chance, 0)}</td>
                <td className="figure">{one.clicks === null ? 'unknown' : count(Math.round(one.clicks))}</td>
                <td className="figure">{one.cost === null ? 'unknown' : worth(one.cost)}</td>
                <td className="figure">{one.value === null ? 'unknown' : worth(one.value)}</td>
                <td className="figure">{decimal(one.effort, 2)}</td>
                <td className="figure">
                  {one.priority === null ? 'unknown' : one.priority > 0 ? worth(one.priority) : 'none'}
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
    </section>
  );
}
