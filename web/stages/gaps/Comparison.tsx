import type { GapPage } from '@opsimath/contract/api/gaps';
import type { GapQuery } from '@opsimath/contract/api/gapQuery';
import { Button, Select } from 'antd';
import { Suspense, lazy, useState } from 'react';
import { Link, useLocation } from 'react-router';
import { FindBox } from '../../parts/words/FindBox';
import { Problem } from '../../parts/words/Problem';
import { StartLookUp } from '../../parts/words/StartLookUp';
import { ColumnsMenu } from '../../parts/table/ColumnsMenu';
import { spelledDay } from '../../parts/words/figures';
import { useGapPageQuery } from '../../state/gapsApi';
import { useLookUpsQuery } from '../../state/lookUpApi';
import { useListsQuery } from '../../state/siftApi';
import { type Scope, searchWithView } from '../../state/scope';
import { useScope } from '../../state/useScope';
import { useSettings } from '../../state/useSettings';
import { CaptureUnknown } from './CaptureUnknown';
import { GapTable } from './GapTable';
import { GapTitle } from './GapTitle';
import { KindStrip } from './KindStrip';
import { MarkFilters } from './MarkFilters';
import { Surer } from './Surer';
import { OpenDossier } from '../../parts/dossier/OpenDossier';
import { ExportMenu } from './ExportMenu';
import { gapExtra } from './gapExtraColumns';
import { notUsual } from './notUsual';
import { Told } from '../../words/Told';
import { t } from '../../words/t';

// Come when they are opened.
const NarrowPanel = lazy(async () => ({ default: (await import('./NarrowPanel')).NarrowPanel }));
const GapMap = lazy(async () => ({ default: (await import('./GapMap')).GapMap }));
const GroupTable = lazy(async () => ({ default: (await import('./GroupTable')).GroupTable }));

type Groups = Exclude<Scope['by'], ''> | 'none' | 'apart';
const GROUPS: { value: Groups; label: string }[] = [
  { value: 'none', label: t('gaps:Comparison.variantsOnOneLine') },
  { value: 'apart', label: t('gaps:Comparison.eachKeywordOnItsOwnLine') },
  { value: 'cluster', label: t('gaps:Comparison.byCluster') },
  { value: 'target', label: t('gaps:Comparison.byOurTarget') },
  { value: 'page kind', label: t('gaps:Comparison.byKindOfOurPage') },
  { value: 'action', label: t('gaps:Comparison.byWhatToDo') },
];

/** Among very many keywords variants are not put together. */
const WITHOUT_VARIANTS = GROUPS.map((one) =>
  one.value === 'none' ? { ...one, disabled: true, title: t('gaps:Comparison.tooManyToPutTogether') } : one,
);

/** Lines of the table, or groups. */
function byOf(chosen: Groups): Partial<Scope> {
  if (chosen === 'none' || chosen === 'apart')
    return { by: '', lines: chosen === 'apart' ? 'apart' : '', opened: [] };
  return { by: chosen };
}

/** Every keyword with its lane, gap kind, worth, and what to do; as a table, in groups, or with the map above it. */
export function Comparison({ query, map }: { query: GapQuery; map: boolean }) {
  const { project, scope, change } = useScope();
  const { data: lookUps } = useLookUpsQuery(project);
  const { data: lists } = useListsQuery(project);
  const { rivals, bands, pageKinds, names, purposes, verdicts, actions } = scope;
  const further = [rivals, bands, pageKinds, names, purposes, verdicts, actions].some(
    (wanted) => wanted.length > 0,
  );
  const [wide, setWide] = useState(
    further ||
      scope.marks.includes('several of ours') ||
      (scope.limits !== '' && !map) ||
      scope.inList !== null,
  );
  // Purposes are read only where their counts are seen: the first time that takes longer.
  const counted = wide && scope.pool !== null ? ({ also: 'purposes' } as const) : {};
  const onLines = scope.lines === 'apart' ? {} : ({ variants: 'together', opened: scope.opened } as const);
  const answer = useGapPageQuery({ project, query: { ...query, ...onLines, ...counted, offset: 0 } });
  const { data: first, error, isFetching, refetch } = answer;
  const tooMany = scope.lines === '' && answer.currentData?.together === false;
  if (error) {
    return (
      <Problem error={error}>
        <Button size="small" onClick={() => void refetch()}>
          {t('gaps:Comparison.tryAgain')}
        </Button>
      </Problem>
    );
  }
  if (first && first.totals.keywords === 0 && scope.list === null && scope.only === '') {
    return (
      <StartLookUp title={t('gaps:Comparison.noKeywordsInThisScopeYet')}>
        {t('gaps:Comparison.aLookUpFindsWhatRivals')}
      </StartLookUp>
    );
  }
  return (
    <>
      <header className="stage-head">
        <GapTitle
          page={first}
          query={query}
          scope={scope}
          pools={(lookUps ?? []).filter(({ market }) => market === scope.market)}
          lists={(lists ?? []).filter(({ market }) => market === scope.market)}
          busy={isFetching}
          onChange={change}
        />
        <span className="stage-tools">
          <FindBox value={scope.find} onFind={(find) => change({ find }, { replace: true })} width={170} />
          <Select<Groups>
            aria-label={t('gaps:Comparison.groups')}
            popupMatchSelectWidth={false}
            value={scope.by || (scope.lines === 'apart' || tooMany ? 'apart' : 'none')}
            options={tooMany ? WITHOUT_VARIANTS : GROUPS}
            onChange={(by) => change(byOf(by))}
          />
          <ColumnsMenu
            columns={gapExtra}
            inAddress={scope.gapColumns}
            onChoose={(gapColumns) => change({ gapColumns }, { replace: true })}
          />
          <ExportMenu query={query} total={first?.total} />
        </span>
      </header>
      <KindStrip totals={first?.totals} chosen={scope.kinds} onChoose={(kinds) => change({ kinds })} />
      <MarkFilters
        totals={first?.totals}
        scope={scope}
        wide={wide}
        onWide={() => setWide(!wide)}
        onChange={change}
      />
      <Suspense fallback={null}>
        {wide && <NarrowPanel project={project} page={first} scope={scope} onChange={change} />}
      </Suspense>
      <Chosen scope={scope} onChange={change} />
      <NotUsual />
      {first && <Surer page={first} />}
      {first && <Missing page={first} />}
      {first && <CaptureUnknown query={query} page={first} />}
      <Suspense fallback={null}>
        {map && first && <GapMap project={project} query={query} page={first} />}
      </Suspense>
      <div className="gaps-body">
        <Suspense fallback={null}>
          {first && scope.by !== '' && <GroupTable project={project} query={{ ...query, by: scope.by }} />}
        </Suspense>
        {first && scope.by === '' && (
          <GapTable
            project={project}
            query={{ ...query, ...onLines }}
            first={first}
            openId={scope.open}
            narrow={scope.open !== null}
            onOpen={(open) => change({ open }, { replace: scope.open !== null })}
          />
        )}
        <OpenDossier />
      </div>
    </>
  );
}

/** A cluster or target that was chosen among groups, to be let go of. */
function Chosen({ scope, onChange }: { scope: Scope; onChange: (change: Partial<Scope>) => void }) {
  if (scope.cluster === null && scope.answering === '') return null;
  return (
    <p className="soft chosen">
      {scope.cluster !== null && `${t('gaps:Comparison.oneClusterIsShown')} `}
      {scope.answering !== '' && (
        <>
          <Told
            id="gaps:Comparison.keywordsForWhichAnsweringRanks"
            values={{ answering: scope.answering }}
            parts={{ b: <b /> }}
          />{' '}
        </>
      )}
      <button className="plain written" onClick={() => onChange({ cluster: null, answering: '' })}>
        {t('gaps:Comparison.clear')}
      </button>
    </p>
  );
}

/** Settings that are not as usual decide what is seen here: said where it is seen. */
function NotUsual() {
  const { project } = useScope();
  const { search } = useLocation();
  const settings = useSettings();
  const told = settings ? notUsual(settings) : [];
  if (told.length === 0) return null;
  return (
    <p className="soft chosen">
      {t('gaps:Comparison.notAsUsualTold', { told: told.join(', ') })}{' '}
      <Link to={`/p/${project}/roster${searchWithView(search, 'settings')}`} className="written">
        {t('gaps:Comparison.settings')}
      </Link>
    </p>
  );
}

/** What the comparison lacks, and what to do about it. */
function Missing({ page }: { page: GapPage }) {
  const { project, scope } = useScope();
  const { search } = useLocation();
  const look = (
    <Link to={`/p/${project}/look-up${search}`} className="written">
      {t('gaps:Comparison.lookUpOrCapture')}
    </Link>
  );
  const never = page.rivals.filter(({ looked }) => !looked).map(({ name }) => name);
  if (page.totals.keywords === 0)
    return <p className="soft chosen">{t('gaps:Comparison.thisChoiceHoldsNoKeywordPut')}</p>;
  if (page.rests.latest === null)
    return (
      <p className="soft chosen">
        {t('gaps:Comparison.nothingWasLookedUpInThis', { date: spelledDay(scope.date) })} {look}.
      </p>
    );
  return (
    <>
      {page.rivals.length === 0 && (
        <p className="soft chosen">
          {t('gaps:Comparison.noRivalOfThisSurfaceIs')}{' '}
          <Link to={`/p/${project}/roster${search}`} className="written">
            {t('gaps:Comparison.addRivals')}
          </Link>
        </p>
      )}
      {page.rivals.length === 1 && (
        <p className="soft chosen">{t('gaps:Comparison.oneRivalOnlyWhatItDoes')}</p>
      )}
      {never.length > 0 && page.rivals.length > 0 && (
        <p className="soft chosen">
          {t('gaps:Comparison.neverLookedUpOrCapturedIn', { never: never.join(', ') })} {look}.
        </p>
      )}
      {scope.compare !== 'none' && scope.compare !== '' && page.rests.compareLatest === null && (
        <p className="soft chosen">
          {t('gaps:Comparison.nothingIsHeldOnOrBefore', { compare: spelledDay(scope.compare) })}
        </p>
      )}
    </>
  );
}
