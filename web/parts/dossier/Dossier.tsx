import type { Dossier as Data } from '@opsimath/contract/api/dossier';
import type { ComparisonScope } from '@opsimath/contract/api/gapQuery';
import { Button, Segmented } from 'antd';
import { useEffect, useRef, useState } from 'react';
import { useDossierQuery } from '../../state/gapsApi';
import { useTraySelection } from '../../state/useTraySelection';
import { surfaceOf } from '../../state/surfaceOf';
import { useOldAfter } from '../../state/useOldAfter';
import { rateOf } from '@opsimath/core/rates/wilson';
import { HistoryChart, type PositionsOf } from '../charts/HistoryChart';
import { VolumeChart } from '../charts/VolumeChart';
import { LaneHead } from '../lane/LaneHead';
import { RowLane } from '../lane/RowLane';
import '../lane/lane.css';
import { Notes } from '../notes/Notes';
import { Problem } from '../words/Problem';
import { Warned, warningWords } from '../words/Warned';
import { RateWord } from '../words/RateWord';
import { age, count, decimal, movement, spelledDay } from '../words/figures';
import { Alternatives } from './Alternatives';
import { AroundParts } from './AroundParts';
import { FrontStudy } from './FrontStudy';
import { HandPositions } from './HandPositions';
import { LivePage } from './LivePage';
import { PageDifference } from './PageDifference';
import { DossierActs } from './DossierActs';
import { DossierFacts } from './DossierFacts';
import { DossierJumps } from './DossierJumps';
import { PrioritySum } from './PrioritySum';
import { ResultPage } from './ResultPage';
import './dossier.css';
import { Told } from '../../words/Told';
import { reasonWords } from '../words/reasonWords';
import { t, wordOf } from '../../words/t';

interface DossierProps {
  project: number;
  keyword: number;
  comparison: ComparisonScope;
  /** Period of own search performance. */
  own: string;
  onClose: () => void;
}
const LANE_WIDTH = 420;

/** Where everybody stands, with who is who. */
function DossierLane({ data }: { data: Data }) {
  return (
    <>
      <LaneHead width={LANE_WIDTH} />
      <RowLane {...data} width={LANE_WIDTH} height={40} />
      <p className="legend soft">
        <span className="disc" /> {data.own}
        {data.rivals.map((rival, r) => (
          <span key={rival.id}>
            <span className={`letter hue-${r % 4}`}>{rival.letter}</span> {rival.name}
          </span>
        ))}
      </p>
    </>
  );
}

/** All that is known of one keyword, in a panel beside the table. */
export function Dossier({ project, keyword, comparison, own, onClose }: DossierProps) {
  const { data, error } = useDossierQuery({ project, keyword, scope: { ...comparison, own } });
  const oldAfter = useOldAfter(surfaceOf(comparison.market));
  const metricsAge = data?.metricsDate ? age(data.metricsDate, comparison.date, oldAfter) : '';
  const pageAge = data?.page ? age(data.page.date, comparison.date, oldAfter) : '';
  const { select } = useTraySelection();
  const [positions, setPositions] = useState<PositionsOf>('organic');
  const panel = useRef<HTMLElement>(null);
  useEffect(() => {
    panel.current?.scrollTo(0, 0);
  }, [keyword]);
  return (
    <aside
      className="dossier"
      ref={panel}
      aria-label={t('parts:Dossier.dossier')}
      tabIndex={-1}
      onKeyDown={(event) => event.key === 'Escape' && onClose()}
    >
      <div className="dossier-bar">
        <span className="faint">{t('parts:Dossier.dossier')}</span>
        {data && (
          <>
            <Button size="small" onClick={() => select({ id: keyword, text: data.row.text })}>
              {t('parts:Dossier.tray')}
            </Button>
            <LivePage market={comparison.market} keyword={data.row.text} />
          </>
        )}
        <Button size="small" onClick={onClose} aria-label={t('parts:Dossier.closeTheDossier')}>
          {t('parts:Dossier.close')}
        </Button>
      </div>
      {error && <Problem error={error} />}
      {!data && !error && <p className="soft">{t('parts:Dossier.readingWhatIsKnownOfIt')}</p>}
      {data && (
        <>
          <DossierJumps panel={panel} keyword={keyword} />
          <h1>{data.row.text}</h1>
          {data.row.warnings.map((warning) => (
            <p key={warning.text} className="dossier-warning">
              <Warned warnings={[warning]} /> {warningWords(warning)}
            </p>
          ))}
          <p className="dossier-what">
            <b>
              {wordOf(data.row.kind)}
              {data.row.near ? ` ${t('parts:Dossier.near')}` : ''}
            </b>
            {movement(data.row) !== '' && (
              <>{t('parts:Dossier.movedMovement', { movement: movement(data.row) })}</>
            )}
            . {data.row.chosen ? t('parts:Dossier.chosen') : t('parts:Dossier.bestToDo')}
            {': '}
            <b>{wordOf(data.row.action)}</b>
            {'. '}
            {reasonWords(data.row)}
          </p>
          <DossierActs project={project} data={data} />
          <DossierLane data={data} />
          <Alternatives key={keyword} project={project} data={data} />
          <DossierFacts
            data={data}
            metricsAge={metricsAge}
            pageAge={pageAge}
            isPage={surfaceOf(comparison.market) === 'web'}
          />
          <section className="section">
            <h2>{t('parts:Dossier.notes')}</h2>
            <Notes project={project} subject={{ on: 'keyword', keyword }} />
          </section>
          <PrioritySum lines={data.sum} />
          <section className="section">
            <h2>
              {t('parts:Dossier.positionsOverTime')}{' '}
              <Segmented
                size="small"
                aria-label={t('parts:Dossier.whichPositions')}
                value={positions}
                options={['organic', 'paid']}
                onChange={setPositions}
              />
            </h2>
            <HistoryChart history={data.history} own={data.own} rivals={data.rivals} of={positions} />
          </section>
          <HandPositions
            key={`hand ${keyword}`}
            project={project}
            keyword={keyword}
            market={comparison.market}
            date={comparison.date}
          />
          {data.metrics && (
            <section className="section">
              <h2>{t('parts:Dossier.searchesAMonth')}</h2>
              <VolumeChart firstMonth={data.metrics.firstMonth} months={data.metrics.months} />
            </section>
          )}
          <section className="section">
            <h2>{t('parts:Dossier.ownSearchPerformance')}</h2>
            <OwnPerformance dossier={data} />
          </section>
          <AroundParts
            project={project}
            keyword={keyword}
            scope={comparison}
            currency={data.currency}
            front={data.front}
            history={data.history}
          />
          <FrontStudy
            key={`study ${keyword}`}
            project={project}
            keyword={keyword}
            market={comparison.market}
            date={comparison.date}
          />
          {data.page && (
            <PageDifference
              key={keyword}
              project={project}
              keyword={keyword}
              market={comparison.market}
              page={data.page}
              dates={data.captureDates}
              compare={comparison.compare}
            />
          )}
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

function OwnPerformance({ dossier: { performance, performanceUntil } }: { dossier: Data }) {
  if (performanceUntil === null) {
    return <p className="soft">{t('parts:Dossier.nothingIsImportedForThisMarket')}</p>;
  }
  if (performance === null)
    return (
      <p className="soft">
        {t('parts:Dossier.noRowOfThePeriodIn', { performanceUntil: spelledDay(performanceUntil) })}
      </p>
    );
  const { from, to, impressions, clicks, position, source } = performance;
  return (
    <p className="soft">
      <Told
        id="parts:Dossier.fromToToImpressionsImpressions"
        values={{
          from: spelledDay(from),
          to: spelledDay(to),
          impressions: count(impressions),
          clicks: count(clicks),
        }}
        parts={{ b: <b />, b2: <b /> }}
      />{' '}
      <b>
        <RateWord of={rateOf(clicks, impressions)} />
      </b>
      <Told
        id="parts:Dossier.averagePositionPositionExactFrom"
        values={{ position: decimal(position, 1), source, performanceUntil: spelledDay(performanceUntil) }}
        parts={{ b: <b /> }}
      />
    </p>
  );
}
