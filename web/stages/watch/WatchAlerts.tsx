import { ALERT_KINDS, type WatchAlert } from '@opsimath/contract/api/watch';
import type { ProjectSettings } from '@opsimath/contract/api/projects';
import { App, Button, InputNumber } from 'antd';
import { count, spelledDay } from '../../parts/words/figures';
import { useTrouble } from '../../parts/words/useTrouble';
import { useChangeProjectMutation, useProjectsQuery } from '../../state/projectApi';
import { useFeedQuery, useSetFeedMutation } from '../../state/watchApi';
import { useScope } from '../../state/useScope';

type Limits = ProjectSettings['alerts'];

/** What somebody who follows a market wants to be told unasked, and what counts as that. */
export function WatchAlerts({ alerts }: { alerts: readonly WatchAlert[] }) {
  const { change } = useScope();
  return (
    <div className="watch-alerts">
      <section aria-label="Alerts">
        {alerts.length === 0 && (
          <p className="soft">Nothing happened that counts. A wobble of a day does not.</p>
        )}
        <table className="ledger" aria-label="Alerts">
          <tbody>
            {alerts.map(({ id, day, kind, text, keyword }) => (
              <tr key={id}>
                <td className="no-break">{spelledDay(day)}</td>
                <td className="soft no-break">{kind}</td>
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
      <aside className="board-side" aria-label="What counts">
        <WhatCounts />
        <Feed />
      </aside>
    </div>
  );
}

function WhatCounts() {
  const { project } = useScope();
  const { data: projects } = useProjectsQuery();
  const [keep] = useChangeProjectMutation();
  const trouble = useTrouble();
  const limits = projects?.find(({ id }) => id === project)?.settings.alerts;
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
      <h2>What counts</h2>
      {number('lasting', 'Captures in a row that agree', 1, 10)}
      {number('days', 'Days back', 1, 365)}
      {number('season', 'Days before a season’s work', 0, 180)}
      {number('quietFrom', 'Feed rests from, hour UTC', 0, 23)}
      {number('quietTo', 'until, hour UTC', 0, 23)}
      <p className="soft">Alerts about:</p>
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
          {kind}
        </label>
      ))}
    </>
  );
}

function Feed() {
  const { project } = useScope();
  const { data } = useFeedQuery(project);
  const [setFeed, { isLoading }] = useSetFeedMutation();
  const { message } = App.useApp();
  const trouble = useTrouble();
  const set = (open: boolean): void => void setFeed({ project, open }).unwrap().catch(trouble);
  const address = data?.path ? `${window.location.origin}${data.path}` : null;
  return (
    <>
      <h2>Feed</h2>
      {address === null ? (
        <p>
          <Button size="small" loading={isLoading} onClick={() => set(true)}>
            Open a feed
          </Button>{' '}
          <span className="soft">Atom, of all markets; whoever knows its address can read it.</span>
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
                  .then(() => message.info('The address is on the clipboard.'))
              }
            >
              Copy
            </Button>{' '}
            <Button size="small" loading={isLoading} onClick={() => set(true)}>
              Another address
            </Button>{' '}
            <Button size="small" onClick={() => set(false)}>
              Close it
            </Button>
          </p>
        </>
      )}
    </>
  );
}

/** “Alerts 12”. */
export const alertsLabel = (alerts: readonly WatchAlert[] | undefined): string =>
  alerts === undefined || alerts.length === 0 ? 'Alerts' : `Alerts ${count(alerts.length)}`;
