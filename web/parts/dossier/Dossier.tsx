import type { ComparisonScope } from '@opsimath/contract/api/gaps';
import { Button } from 'antd';
import { useEffect, useRef } from 'react';
import { useDossierQuery, useTrackMutation } from '../../state/gapsApi';
import { useAppDispatch } from '../../state/store';
import { toggle } from '../../state/tray';
import { HistoryChart } from '../charts/HistoryChart';
import { VolumeChart } from '../charts/VolumeChart';
import { Lane } from '../lane/Lane';
import { LaneHead } from '../lane/LaneHead';
import '../lane/lane.css';
import { Problem } from '../words/Problem';
import { count, decimal, movement, percent, spelledDay, worth } from '../words/figures';
import { PrioritySum } from './PrioritySum';
import { ResultPage } from './ResultPage';
import './dossier.css';

interface DossierProps {
  project: number;
  keyword: number;
  comparison: ComparisonScope;
  onClose: () => void;
}
const LANE_WIDTH = 420;

/** All that is known of one keyword, in a panel beside the table. */
export function Dossier({ project, keyword, comparison, onClose }: DossierProps) {
  const { data, error } = useDossierQuery({ project, keyword, scope: comparison });
  const [track] = useTrackMutation();
  const dispatch = useAppDispatch();
  const panel = useRef<HTMLElement>(null);
  useEffect(() => {
    panel.current?.scrollTo(0, 0);
  }, [keyword]);
  return (
    <aside
      className="dossier"
      ref={panel}
      aria-label="Dossier"
      tabIndex={-1}
      onKeyDown={(event) => event.key === 'Escape' && onClose()}
    >
      <div className="dossier-bar">
        <span className="faint">Dossier</span>
        {data && (
          <>
            <Button
              size="small"
              onClick={() => dispatch(toggle({ project, keyword: { id: keyword, text: data.row.text } }))}
            >
              Tray
            </Button>
            <Button
              size="small"
              onClick={() => void track({ project, keywords: [keyword], follow: !data.row.tracked })}
            >
              {data.row.tracked ? 'Stop tracking' : 'Track'}
            </Button>
          </>
        )}
        <Button size="small" onClick={onClose} aria-label="Close the dossier">
          Close
        </Button>
      </div>
      {error && <Problem error={error} />}
      {data && (
        <>
          <h1>{data.row.text}</h1>
          <p className="dossier-what">
            <b>
              {data.row.kind}
              {data.row.near ? ' · near' : ''}
            </b>
            {movement(data.row) !== '' && <>, moved {movement(data.row)}</>}. Suggested:{' '}
            <b>{data.row.action}</b>. {data.row.reason}
          </p>
          <LaneHead width={LANE_WIDTH} />
          <Lane
            width={LANE_WIDTH}
            height={40}
            front={data.front}
            own={{
              name: data.own,
              organic: data.row.own,
              before: data.row.ownBefore,
              paid: data.row.ownPaid,
            }}
            rivals={data.rivals.map((rival, r) => ({
              ...rival,
              hue: r,
              organic: data.row.rivals[r]!,
              paid: data.row.rivalsPaid[r]!,
            }))}
          />
          <p className="legend soft">
            <span className="disc" /> {data.own}
            {data.rivals.map((rival, r) => (
              <span key={rival.id}>
                <span className={`letter hue-${r % 4}`}>{rival.letter}</span> {rival.name}
              </span>
            ))}
          </p>
          <dl className="facts">
            <Fact name="Volume" value={`${count(data.row.volume)} a month`} />
            <Fact name="Priority" value={worth(data.row.priority)} />
            <Fact
              name="CPC"
              value={
                data.row.cpcLow === null
                  ? 'unknown'
                  : `${decimal(data.row.cpcLow, 2)}–${decimal(data.row.cpcHigh, 2)} ${data.currency}`
              }
            />
            <Fact
              name="Ad competition"
              value={data.row.adCompetition === null ? 'unknown' : decimal(data.row.adCompetition, 2)}
            />
            <Fact
              name="Difficulty"
              value={data.row.difficulty === null ? 'unknown' : `${data.row.difficulty} of 100`}
            />
            <Fact name="Spread" value={`${data.row.spread} of ${data.rivals.length} rivals`} />
            <Fact name="Results" value={count(data.page?.results ?? null)} />
            <Fact name="Our page" value={data.row.ownAddress ?? 'none ranks'} wide />
          </dl>
          <PrioritySum lines={data.sum} />
          <section className="section">
            <h2>Positions over time</h2>
            <HistoryChart history={data.history} own={data.own} rivals={data.rivals} />
          </section>
          {data.metrics && (
            <section className="section">
              <h2>Searches a month</h2>
              <VolumeChart firstMonth={data.metrics.firstMonth} months={data.metrics.months} />
            </section>
          )}
          <section className="section">
            <h2>Own search performance</h2>
            {data.performance ? (
              <p className="soft">
                {spelledDay(data.performance.from)} to {spelledDay(data.performance.to)}:{' '}
                <b>{count(data.performance.impressions)}</b> impressions,{' '}
                <b>{count(data.performance.clicks)}</b> clicks, CTR{' '}
                <b>
                  {percent(
                    data.performance.impressions > 0
                      ? data.performance.clicks / data.performance.impressions
                      : null,
                  )}
                </b>
                , average position <b>{decimal(data.performance.position, 1)}</b>. From{' '}
                {data.performance.source}.
              </p>
            ) : (
              <p className="soft">
                No imported row speaks of this keyword. Import own search performance on the Roster.
              </p>
            )}
          </section>
          <ResultPage
            project={project}
            keyword={keyword}
            market={comparison.market}
            page={data.page}
            dates={data.captureDates}
          />
        </>
      )}
    </aside>
  );
}

function Fact({ name, value, wide }: { name: string; value: string; wide?: boolean }) {
  return (
    <div className={wide ? 'wide' : undefined}>
      <dt className="faint">{name}</dt>
      <dd title={value}>{value}</dd>
    </div>
  );
}
