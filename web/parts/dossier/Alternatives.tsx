import type { Alternative, Dossier } from '@opsimath/contract/api/dossier';
import type { Action } from '@opsimath/core/gap/action';
import { useState } from 'react';
import { useMessages } from '../../state/messages';
import { gapsApi, useChooseActionMutation } from '../../state/gapsApi';
import { request } from '../../state/operations';
import { useAppSelector } from '../../state/store';
import { undoStackOf, useUndoable } from '../../state/undoStacks';
import { LaneHead } from '../lane/LaneHead';
import { count, decimal, percent, spelledDay, worth } from '../words/figures';
import { ForecastLane } from './ForecastLane';
import { Told } from '../../words/Told';
import { t, wordOf } from '../../words/t';

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
    <section className="section alternatives" aria-label={t('parts:Alternatives.whatCanBeDone')}>
      <h2>{t('parts:Alternatives.whatCanBeDone')}</h2>
      <p className="soft">
        <Told
          id="parts:Alternatives.whereWeWillStandInHorizon"
          values={{ horizon: forecast.horizon, asIs: percent(row.asIs ?? 0, 0), front }}
          parts={{ b: <b /> }}
        />
        {drawn && drawn.chance !== null && (
          <>
            <Told
              id="parts:Alternatives.chanceAfterAction"
              values={{ chance: percent(drawn.chance, 0), action: wordOf(drawn.action) }}
              parts={{ b: <b className="after-word" /> }}
            />
          </>
        )}
        {t('parts:Alternatives.estimatedWhich', {
          which: forecast.fitted
            ? t('parts:Alternatives.learntFromCaptures')
            : t('parts:Alternatives.byStatedDefaultsUntil200Captures'),
        })}
        {row.chanceAssumed && t('parts:Alternatives.noCaptureHereFromThePosition')}.
      </p>
      <LaneHead width={LANE_WIDTH} />
      <ForecastLane width={LANE_WIDTH} asIs={forecast.asIs} after={drawn?.after ?? null} />
      <ChanceOpened forecast={forecast} drawn={drawn} front={front} />
      {alternatives.length === 0 ? (
        <p className="soft">{t('parts:Alternatives.nothingThatCanBeDoneWould')}</p>
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
            <th>{t('parts:Alternatives.action')}</th>
            <th className="figure" title={t('parts:Alternatives.probabilityOfStandingWithinThe', { front })}>
              {t('parts:Alternatives.chance')}
            </th>
            <th className="figure" title={t('parts:Alternatives.clicksAMonthThatItAdds')}>
              {t('parts:Alternatives.clicks')}
            </th>
            <th className="figure" title={t('parts:Alternatives.clicksWorthFitAndWhatComes', { currency })}>
              {t('parts:Alternatives.adds', { currency })}
            </th>
            <th className="figure">{t('parts:Alternatives.days')}</th>
            <th className="figure" title={t('parts:Alternatives.whatItAddsForADay', { currency })}>
              {t('parts:Alternatives.priority', { currency })}
            </th>
            <th aria-label={t('parts:Alternatives.choice')} />
          </tr>
        </thead>
        <tbody>
          {alternatives.map((one) => (
            <tr key={one.action} className={one === drawn ? 'drawn' : undefined}>
              <td>
                <button
                  className="plain"
                  aria-pressed={one === drawn}
                  title={t('parts:Alternatives.drawWhereWeWouldStandThen')}
                  onClick={() => onDraw(one.action)}
                >
                  {wordOf(one.action)}
                </button>
              </td>
              <td className="figure">
                {one.chance === null ? t('parts:Alternatives.unknown') : percent(one.chance, 0)}
              </td>
              <td className="figure">
                {one.clicks === null ? t('parts:Alternatives.unknown') : count(Math.round(one.clicks))}
                {one.elsewhere !== null && (
                  <span className="soft under">
                    {signed(one.elsewhere.won.clicks - one.elsewhere.lost.clicks)}
                  </span>
                )}
              </td>
              <td className="figure">
                {one.value === null ? t('parts:Alternatives.unknown') : worth(one.value)}
                {one.cost !== null && one.cost !== 0 && (
                  <span className="soft under">
                    {one.cost > 0
                      ? t('parts:Alternatives.costsCost', { cost: worth(one.cost) })
                      : t('parts:Alternatives.savesCost', { cost: worth(-one.cost) })}
                  </span>
                )}
              </td>
              <td className="figure">{decimal(one.effort, 2)}</td>
              <td className="figure">
                {one.priority === null
                  ? t('parts:Alternatives.unknown')
                  : one.priority > 0
                    ? worth(one.priority)
                    : t('parts:Alternatives.none')}
              </td>
              <td>
                {choice?.action === one.action ? (
                  <b>{t('parts:Alternatives.chosen')}</b>
                ) : (
                  <button className="plain written" onClick={() => void choose(one.action)}>
                    {t('parts:Alternatives.choose')}
                  </button>
                )}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      {choice === null ? (
        <p className="soft">
          {row.action === 'hold' || row.action === 'merge'
            ? t('parts:Alternatives.noneIsWorthDoing')
            : t('parts:Alternatives.bestAction', { action: wordOf(row.action) })}
        </p>
      ) : (
        <p className="soft">
          <Told
            id="parts:Alternatives.chosenAction"
            values={{ action: wordOf(choice.action) }}
            parts={{ b: <b /> }}
          />
          {choice.person !== '' && ` ${t('parts:Alternatives.byPerson', { person: choice.person })}`}
          {', '}
          {spelledDay(choice.at.slice(0, 10))}.
          {row.action !== choice.action && ` ${t('parts:Alternatives.itCannotBeDoneNow')}`}{' '}
          <button className="plain written" onClick={() => void choose(null)}>
            {t('parts:Alternatives.takeTheBestInstead')}
          </button>
        </p>
      )}
    </>
  );
}

const signed = (clicks: number): string =>
  t('parts:Alternatives.whichAbsElsewhere', {
    which: clicks < 0 ? '−' : '+',
    abs: count(Math.abs(Math.round(clicks))),
  });

/** Chooses what to do, and keeps how to take that back. */
function useChoice(project: number, { row, choice }: Dossier): (action: Action | null) => Promise<void> {
  const [chooseAction] = useChooseActionMutation();
  const undoable = useUndoable(project);
  const message = useMessages();
  const person = useAppSelector((state) => state.preferences.person);
  return async (action) => {
    const arg = { project, keyword: row.id, action, person };
    await chooseAction(arg).unwrap();
    undoable({
      what:
        action === null
          ? t('parts:Alternatives.choiceForTextCleared', { text: row.text })
          : t('parts:Alternatives.actionChosenForText', { action: wordOf(action), text: row.text }),
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
          {action === null
            ? t('parts:Alternatives.theBestIsTakenAgain')
            : t('parts:Alternatives.chosenAction2', { action: wordOf(action) })}{' '}
          <button className="plain written" onClick={() => void undoStackOf(project).undo()}>
            {t('parts:Alternatives.undo')}
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
      <summary>{t('parts:Alternatives.whatTheChanceIsMadeOf')}</summary>
      <p className="soft">
        {t('parts:Alternatives.pointsOfTheChanceOfThe', {
          front,
          which:
            features.length === 0
              ? t('parts:Alternatives.noFeatureTellsMuch')
              : features.map(({ what, points: gives }) => `${what} ${points(gives)}`).join(', '),
        })}
        {drawn !== undefined && changes.length > 0 && (
          <>
            {' '}
            {t('parts:Alternatives.afterActionChanges', {
              action: wordOf(drawn.action),
              changes: changes.map(({ what, points: gives }) => `${what} ${points(gives)}`).join(', '),
            })}
          </>
        )}
      </p>
    </details>
  );
}
