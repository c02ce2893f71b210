import type { GapQuery } from '@opsimath/contract/api/gapQuery';
import type { OverTime as Data } from '@opsimath/contract/api/overTime';
import { Segmented, Select } from 'antd';
import { Ledger } from '../../parts/table/Ledger';
import { SideName } from '../../parts/words/SideName';
import { Waiting } from '../../parts/words/Waiting';
import { Empty } from '../../parts/words/Empty';
import { Problem } from '../../parts/words/Problem';
import { count, counted, spelledDay } from '../../parts/words/figures';
import { useOverTimeQuery } from '../../state/standingApi';
import type { Scope } from '../../state/scope';
import { useScope } from '../../state/useScope';
import { useShown } from '../../state/useShown';
import { DepthChart } from './DepthChart';
import { SidesChart, type SideMeasure } from './SidesChart';
import { WeeksChart } from './WeeksChart';
import { t } from '../../words/t';

const MEASURES: { value: SideMeasure; label: string }[] = [
  { value: 'share', label: t('gaps:OverTime.shareOfClicks') },
  { value: 'visibility', label: t('gaps:OverTime.visibility') },
  { value: 'front', label: t('gaps:OverTime.keywordsOnTheFront') },
  { value: 'paid', label: t('gaps:OverTime.keywordsWithAPaidSlot') },
];

const MEASURE_NAMES = MEASURES.map(({ value }) => value);

type Changed = NonNullable<Data['changes']>[number];
const MOVED = [
  ['gained', t('gaps:OverTime.gained'), t('gaps:OverTime.absentThenRankedNow')],
  ['lost', t('gaps:OverTime.lost'), t('gaps:OverTime.rankedThenAbsentNow')],
  ['climbing', t('gaps:OverTime.climbing'), t('gaps:OverTime.upByThreePlacesOrMore')],
  ['slipping', t('gaps:OverTime.slipping'), t('gaps:OverTime.downByFiveOrByThree')],
] as const;

/** How the keywords of the choice went over time, by side; own search performance beside; what changed between the dates. */
export function OverTime({ query }: { query: GapQuery }) {
  const { project, scope } = useScope();
  const { sort: _s, offset: _o, limit: _l, ...narrowed } = query;
  const [begun, setBegun] = useShown<string>('from', '');
  const from = /^\d{4}-\d\d-\d\d$/.test(begun) ? begun : null;
  const { data, error } = useOverTimeQuery({
    project,
    query: { ...narrowed, own: scope.own, from: from ?? undefined },
  });
  const [measure, setMeasure] = useShown<SideMeasure>('measure', 'share', MEASURE_NAMES);
  const [shownSide, setSide] = useShown<string>('side', '0');
  if (error) return <Problem error={error} />;
  if (!data) return <Waiting for={t('gaps:OverTime.howItWentOverTime')} />;
  if (data.dates.length === 0)
    return (
      <Empty title={t('gaps:OverTime.noResultPageWasCapturedBy')}>
        {t('gaps:OverTime.linesNeedCapturesALookUp')}
      </Empty>
    );
  const last = data.dates.at(-1)!;
  const side = Number(shownSide) in data.names ? Number(shownSide) : 0;
  return (
    <div className="gap-part over-time">
      <div>
        <h1>{titleOf(data)}</h1>
        <div className="soft">
          {t('gaps:OverTime.everyDayIsDrawnOverThe', {
            keywords: counted(data.panel, 'keyword'),
            date: spelledDay(data.dates[0]!.date),
            keywords2: count(data.keywords),
            captured: count(last.captured),
            date2: spelledDay(last.date),
          })}{' '}
          <Begin data={data} from={from} onBegin={(day) => setBegun(day ?? '')} />
        </div>
      </div>
      <Segmented
        size="small"
        value={measure}
        options={MEASURES}
        onChange={setMeasure}
        aria-label={t('gaps:OverTime.measure')}
      />
      <SidesChart data={data} measure={measure} />
      <div className="over-time-pair">
        <section>
          <h2 title={t('gaps:OverTime.ofTheKeywordsThatEveryDay')}>
            {t('gaps:OverTime.countsByDepth')}{' '}
            <Segmented
              size="small"
              aria-label={t('gaps:OverTime.side')}
              value={side}
              options={data.names.map((name, n) => ({ value: n, label: name }))}
              onChange={(n) => setSide(String(n))}
            />
          </h2>
          <DepthChart data={data} side={side} />
        </section>
        <section>
          <h2>{t('gaps:OverTime.ownSearchPerformanceByWeek')}</h2>
          <WeeksChart weeks={data.weeks} />
        </section>
      </div>
      <Changes data={data} />
    </div>
  );
}

/** A later beginning has fewer days and more keywords. */
function Begin({
  data,
  from,
  onBegin,
}: {
  data: Data;
  from: string | null;
  onBegin: (day: string | null) => void;
}) {
  if (data.bases.length < 2) return null;
  return (
    <Select
      size="small"
      variant="borderless"
      className="written"
      aria-label={t('gaps:OverTime.beginWith')}
      popupMatchSelectWidth={false}
      value={from ?? data.bases[0]!.date}
      options={data.bases.map(({ date, keywords }) => ({
        value: date,
        label: t('gaps:OverTime.fromDateKeywords', {
          date: spelledDay(date),
          keywords: counted(keywords, 'keyword'),
        }),
      }))}
      onChange={(day) => onBegin(day === data.bases[0]!.date ? null : day)}
    />
  );
}

function titleOf({ dates, names }: Data): string {
  const shares = dates.at(-1)!.sides.map(({ share }, n) => ({ share: share ?? -1, name: names[n]! }));
  const ours = shares[0]!;
  const best = [...shares].sort((a, b) => b.share - a.share)[0]!;
  const said = (share: number): string => `${(100 * share).toFixed(1)} %`;
  if (ours.share < 0) return t('gaps:OverTime.ourShareOfTheClicksIs');
  return best === ours
    ? t('gaps:OverTime.weHoldTheLargestShareOf', { said: said(ours.share) })
    : t('gaps:OverTime.nameHoldsSaidOfTheClicks', {
        name: best.name,
        said: said(best.share),
        said2: said(ours.share),
      });
}

function Changes({ data }: { data: Data }) {
  const { scope, change } = useScope();
  if (data.changes === null) return <p className="soft">{t('gaps:OverTime.chooseACompareWithDateIn')}</p>;
  const show = (marks: Scope['marks']): void => change({ view: '', marks });
  return (
    <div className="over-time-pair">
      <section>
        <h2>
          {t('gaps:OverTime.whatChangedCompareToDate', {
            compare: spelledDay(scope.compare),
            date: spelledDay(scope.date),
          })}
        </h2>
        <Ledger
          take={t('gaps:OverTime.whatChanged')}
          rows={data.changes}
          keyOf={({ name }) => name}
          columns={[
            { head: t('gaps:OverTime.side'), cell: (side) => <SideName side={side} /> },
            {
              head: t('gaps:OverTime.known'),
              tip: t('gaps:OverTime.keywordsOfWhichBothDatesAre'),
              figure: true,
              cell: ({ known }) => count(known),
            },
            ...MOVED.map(([mark, head, tip]) => ({
              head,
              tip,
              figure: true,
              cell: (side: Changed, n: number) =>
                n === 0 && side[mark] > 0 ? (
                  <button className="plain written" onClick={() => show([mark])}>
                    {count(side[mark])}
                  </button>
                ) : (
                  count(side[mark])
                ),
            })),
            {
              head: t('gaps:OverTime.frontIn'),
              tip: t('gaps:OverTime.cameOntoTheFront'),
              figure: true,
              cell: ({ cameIn }) => count(cameIn),
            },
            {
              head: t('gaps:OverTime.frontOut'),
              tip: t('gaps:OverTime.leftTheFront'),
              figure: true,
              cell: ({ wentOut }) => count(wentOut),
            },
            {
              head: t('gaps:OverTime.paid'),
              tip: t('gaps:OverTime.paidSlotsWonAndGivenUp'),
              figure: true,
              className: 'no-break',
              cell: ({ paidGained, paidLost }) => `+${count(paidGained)} −${count(paidLost)}`,
            },
          ]}
        />
      </section>
      <section>
        <h2 title={t('gaps:OverTime.ownersThatGainedMoreFrontsThan')}>
          {t('gaps:OverTime.onMoreFrontsThanBefore')}
        </h2>
        <Ledger
          take={t('gaps:OverTime.onMoreFronts')}
          rows={data.newcomers}
          keyOf={({ owner }) => owner}
          empty={t('gaps:OverTime.nobodyGainedMoreFrontsThanIt')}
          columns={[
            {
              head: t('gaps:OverTime.owner'),
              cell: ({ owner, isNew, known }) => (
                <>
                  {owner}{' '}
                  <span className="faint">
                    {[isNew && 'new', known && t('gaps:OverTime.inTheRoster')].filter(Boolean).join(', ')}
                  </span>
                </>
              ),
            },
            { head: t('gaps:OverTime.came'), figure: true, cell: ({ came }) => count(came) },
            { head: t('gaps:OverTime.left'), figure: true, cell: ({ left }) => count(left) },
            {
              head: t('gaps:OverTime.now'),
              tip: t('gaps:OverTime.frontsItIsOnNow'),
              figure: true,
              cell: ({ now }) => count(now),
            },
            {
              head: t('gaps:OverTime.best'),
              tip: t('gaps:OverTime.bestPositionWhereItCame'),
              figure: true,
              cell: ({ best }) => best,
            },
            {
              head: t('gaps:OverTime.volume'),
              tip: t('gaps:OverTime.searchesAMonthOfTheFronts'),
              figure: true,
              cell: ({ volume }) => count(volume),
            },
          ]}
        />
      </section>
    </div>
  );
}
