import type { Alternative, Dossier } from '@opsimath/contract/api/dossier';
import type { Action } from '@opsimath/core/gap/action';
import { App } from 'antd';
import { useState } from 'react';
import { gapsApi, useChooseActionMutation } from '../../state/gapsApi';
import { request } from '../../state/operations';
import { useAppSelector } from '../../state/store';
import { undoStackOf, useUndoable } from '../../state/undoStacks';
import { LaneHead } from '../lane/LaneHead';
import { count, decimal, percent, spelledDay, worth } from '../words/figures';
import { ForecastLane } from './ForecastLane';

const LANE_WIDTH = 420;
/** Points of chance below which a part is not worth a word. */
const LEAST_POINTS = 0.5;

/** What can be done, side by side, and where we would stand then beside what comes without it. */
export function Alternatives({ project, data }: { project: number; data: Dossier }) {
  const { forecast, alternatives, front, row } = data;
  const [drawnName, draw] = useState<Action | null>(null);
  if (forecast === null) return null;
  const drawn =
    alternatives.find(({ action }) => action === drawnName) ??
    alternatives.find(({ action }) => action === row.action) ??
    alternatives[0];
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
      <ChanceOpened forecast={forecast} drawn={drawn} front={front} />
      {alternatives.length === 0 ? (
        <p className="soft">Nothing that can be done would change where we stand.</p>
      ) : (
        <AlternativesTable project={project} data={data} drawn={drawn} onDraw={draw} />
      )}
    </section>
  );
}

interface TableProps {
  project: number;
  data: Dossier;
  drawn: Alternative | undefined;
  onDraw: (action: Action) => void;
}

function AlternativesTable({ project, data, drawn, onDraw }: TableProps) {
  const { alternatives, currency, front, row, choice } = data;
  const choose = useChoice(project, data);
  return (
    <>
      <table className="ledger">
        <thead>
          <tr>
            <th>Action</th>
            <th className="figure" title={`Probability of standing within the first ${front} after it`}>
              Chance
            </th>
            <th
              className="figure"
              title="Clicks a month that it adds on this keyword, and under it on others of the same page"
            >
              Clicks
            </th>
            <th
              className="figure"
              title={`Clicks × worth × fit, and what comes elsewhere, − cost: ${currency} a month`}
            >
              Adds
            </th>
            <th className="figure">Days</th>
            <th className="figure" title={`What it adds for a day of work, ${currency} a month`}>
              Priority
            </th>
            <th aria-label="Choice" />
          </tr>
        </thead>
        <tbody>
          {alternatives.map((one) => (
            <tr key={one.action} className={one === drawn ? 'drawn' : undefined}>
              <td>
                <button
                  className="plain"
                  aria-pressed={one === drawn}
                  title="Draw where we would stand then"
                  onClick={() => onDraw(one.action)}
                >
                  {one.action}
                </button>
              </td>
              <td className="figure">{one.chance === null ? 'unknown' : percent(one.chance, 0)}</td>
              <td className="figure">
                {one.clicks === null ? 'unknown' : count(Math.round(one.clicks))}
                {one.elsewhere !== null && (
                  <span className="soft under">
                    {signed(one.elsewhere.won.clicks - one.elsewhere.lost.clicks)}
                  </span>
                )}
              </td>
              <td className="figure">
                {one.value === null ? 'unknown' : worth(one.value)}
                {one.cost !== null && one.cost !== 0 && (
                  <span className="soft under">
                    {one.cost > 0 ? `costs ${worth(one.cost)}` : `saves ${worth(-one.cost)}`}
                  </span>
                )}
              </td>
              <td className="figure">{decimal(one.effort, 2)}</td>
              <td className="figure">
                {one.priority === null ? 'unknown' : one.priority > 0 ? worth(one.priority) : 'none'}
              </td>
              <td>
                {choice?.action === one.action ? (
                  <b>chosen</b>
                ) : (
                  <button className="plain written" onClick={() => void choose(one.action)}>
                    Choose
                  </button>
                )}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      {choice === null ? (
        <p className="soft">
          {row.action === 'hold' || row.action === 'merge' ? 'None is worth doing.' : `Best: ${row.action}.`}
        </p>
      ) : (
        <p className="soft">
          Chosen: <b>{choice.action}</b>
          {choice.person !== '' && ` by ${choice.person}`}, {spelledDay(choice.at.slice(0, 10))}.
          {row.action !== choice.action && ' It cannot be done now.'}{' '}
          <button className="plain written" onClick={() => void choose(null)}>
            Take the best instead
          </button>
        </p>
      )}
    </>
  );
}

const signed = (clicks: number): string =>
  `${clicks < 0 ? '−' : '+'}${count(Math.abs(Math.round(clicks)))} elsewhere`;

/** Chooses what to do, and keeps how to take that back. */
function useChoice(project: number, { row, choice }: Dossier): (action: Action | null) => Promise<void> {
  const [chooseAction] = useChooseActionMutation();
  const undoable = useUndoable(project);
  const { message } = App.useApp();
  const person = useAppSelector((state) => state.preferences.person);
  return async (action) => {
    const arg = { project, keyword: row.id, action, person };
    await chooseAction(arg).unwrap();
    undoable({
      what: action === null ? `choice for “${row.text}” cleared` : `“${action}” chosen for “${row.text}”`,
      undo: request(gapsApi.endpoints.chooseAction, {
        ...arg,
        action: choice?.action ?? null,
        person: choice?.person ?? '',
      }),
      redo: request(gapsApi.endpoints.chooseAction, arg),
    });
    void message.open({
      content: (
        <span>
          {action === null ? 'The best is taken again.' : `Chosen: ${action}.`}{' '}
          <button className="plain written" onClick={() => void undoStackOf(project).undo()}>
            Undo
          </button>
        </span>
      ),
      duration: 6,
    });
  };
}

/** Which features give how much of the chance, and which changes how much of what an action brings. */
function ChanceOpened({
  forecast,
  drawn,
  front,
}: {
  forecast: NonNullable<Dossier['forecast']>;
  drawn: Alternative | undefined;
  front: number;
}) {
  const features = forecast.gives.filter(({ points }) => Math.abs(points) >= LEAST_POINTS);
  const changes = drawn?.gives.filter(({ points }) => Math.abs(points) >= LEAST_POINTS) ?? [];
  if (features.length === 0 && changes.length === 0) return null;
  const points = (value: number): string => `${value > 0 ? '+' : '−'}${decimal(Math.abs(value), 1)}`;
  return (
    <details className="chance-opened">
      <summary>What the chance is made of</summary>
      <p className="soft">
        Points of the chance of the first {front}. As it is, beside where it stands:{' '}
        {features.length === 0
          ? 'no feature tells much'
          : features.map(({ what, points: gives }) => `${what} ${points(gives)}`).join(', ')}
        .
        {drawn !== undefined && changes.length > 0 && (
          <>
            {' '}
            After {drawn.action}:{' '}
            {changes.map(({ what, points: gives }) => `${what} ${points(gives)}`).join(', ')}.
          </>
        )}
      </p>
    </details>
  );
}
