import { ALERT_KINDS, type WatchAlert } from '@opsimath/contract/api/watch';
import type { ProjectSettings } from '@opsimath/contract/api/projects';
import { Button, InputNumber } from 'antd';
import { count, spelledDay } from '../../parts/words/figures';
import { useTrouble } from '../../parts/words/useTrouble';
import { useMessages } from '../../state/messages';
import { useChangeProjectMutation } from '../../state/projectApi';
import { useFeedQuery, useSetFeedMutation } from '../../state/watchApi';
import { useScope } from '../../state/useScope';
import { useSettings } from '../../state/useSettings';
import { t, wordOf } from '../../words/t';

type Limits = ProjectSettings['alerts'];

/** What somebody who follows a market wants to be told unasked, and what counts as that. */
export function WatchAlerts({ alerts }: { alerts: readonly WatchAlert[] }) {
  const { change } = useScope();
  return (
    <div className="watch-alerts">
      <section aria-label={t('watch:WatchAlerts.alerts')}>
        {alerts.length === 0 && (
          <p className="soft">{t('watch:WatchAlerts.nothingHappenedThatCountsAWobble')}</p>
        )}
        <table className="ledger" aria-label={t('watch:WatchAlerts.alerts')}>
          <tbody>
            {alerts.map(({ id, day, kind, text, keyword }) => (
              <tr key={id}>
                <td className="no-break">{spelledDay(day)}</td>
                <td className="soft no-break">{wordOf(kind)}</td>
                <td>
                  {keyword === null ? (
                    text
                  ) : (
                    <button className="plain" onClick={() => change({ open: keyword })}>
                      {text}
                    </button>
                  )}
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      </section>
      <aside className="board-side" aria-label={t('watch:WatchAlerts.whatCounts')}>
        <WhatCounts />
        <Feed />
      </aside>
    </div>
  );
}

function WhatCounts() {
  const { project } = useScope();
  const [keep] = useChangeProjectMutation();
  const trouble = useTrouble();
  const limits = useSettings()?.alerts;
  if (!limits) return null;
  const set = (alerts: Partial<Limits>): void =>
    void keep({ project, settings: { alerts } }).unwrap().catch(trouble);
  const number = (name: keyof Omit<Limits, 'off'>, words: string, least: number, most: number) => (
    <label>
      <span>{words}</span>{' '}
      <InputNumber
        size="small"
        aria-label={words}
        min={least}
        max={most}
        precision={0}
        style={{ width: 64 }}
        value={limits[name]}
        onChange={(value) => (value !== null || name.startsWith('quiet')) && set({ [name]: value })}
      />
    </label>
  );
  return (
    <>
      <h2>{t('watch:WatchAlerts.whatCounts')}</h2>
      {number('lasting', t('watch:WatchAlerts.capturesInARowThatAgree'), 1, 10)}
      {number('days', t('watch:WatchAlerts.daysBack'), 1, 365)}
      {number('season', t('watch:WatchAlerts.daysBeforeASeasonSWork'), 0, 180)}
      {number('quietFrom', t('watch:WatchAlerts.feedRestsFromHourUTC'), 0, 23)}
      {number('quietTo', t('watch:WatchAlerts.untilHourUTC'), 0, 23)}
      <p className="soft">{t('watch:WatchAlerts.alertsAbout')}</p>
      {ALERT_KINDS.map((kind) => (
        <label key={kind}>
          <input
            type="checkbox"
            checked={!limits.off.includes(kind)}
            onChange={() =>
              set({
                off: limits.off.includes(kind)
                  ? limits.off.filter((one) => one !== kind)
                  : [...limits.off, kind],
              })
            }
          />{' '}
          {wordOf(kind)}
        </label>
      ))}
    </>
  );
}

function Feed() {
  const { project } = useScope();
  const { data } = useFeedQuery(project);
  const [setFeed, { isLoading }] = useSetFeedMutation();
  const message = useMessages();
  const trouble = useTrouble();
  const set = (open: boolean): void => void setFeed({ project, open }).unwrap().catch(trouble);
  const address = data?.path ? `${window.location.origin}${data.path}` : null;
  return (
    <>
      <h2>{t('watch:WatchAlerts.feed')}</h2>
      {address === null ? (
        <p>
          <Button size="small" loading={isLoading} onClick={() => set(true)}>
            {t('watch:WatchAlerts.openAFeed')}
          </Button>{' '}
          <span className="soft">{t('watch:WatchAlerts.atomOfAllMarketsWhoeverKnows')}</span>
        </p>
      ) : (
        <>
          <p className="feed-address">{address}</p>
          <p>
            <Button
              size="small"
              onClick={() =>
                void navigator.clipboard
                  .writeText(address)
                  .then(() => message.info(t('watch:WatchAlerts.theAddressIsOnTheClipboard')))
              }
            >
              {t('watch:WatchAlerts.copy')}
            </Button>{' '}
            <Button size="small" loading={isLoading} onClick={() => set(true)}>
              {t('watch:WatchAlerts.anotherAddress')}
            </Button>{' '}
            <Button size="small" onClick={() => set(false)}>
              {t('watch:WatchAlerts.closeIt')}
            </Button>
          </p>
        </>
      )}
    </>
  );
}

/** “Alerts 12”. */
export const alertsLabel = (alerts: readonly WatchAlert[] | undefined): string =>
  alerts === undefined || alerts.length === 0
    ? t('watch:WatchAlerts.alerts')
    : t('watch:WatchAlerts.alertsAlerts', { alerts: count(alerts.length) });
