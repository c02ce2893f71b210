import { useEffect } from 'react';
import type { LookUp } from '@opsimath/contract/api/lookUps';
import { LANGUAGES } from '@opsimath/core/text/languages';
import { Button, Select } from 'antd';
import { useMemo } from 'react';
import { useNavigate } from 'react-router';
import { useKeys } from '../../parts/keys/useKeys';
import { PAGE_ROWS, rowFinder, useVisiblePages } from '../../parts/table/usePages';
import { Problem } from '../../parts/words/Problem';
import { count, spelledDay } from '../../parts/words/figures';
import { useMarketsQuery } from '../../state/projectApi';
import { useLookUpsQuery } from '../../state/lookUpApi';
import { useSiftQuery } from '../../state/siftApi';
import { poolOrder } from '../../state/poolOrder';
import { StageParts } from '../../parts/words/StageParts';
import { type PartOf, partOf } from '../../state/stageParts';
import { useScope } from '../../state/useScope';
import { ClustersView } from './ClustersView';
import { OpenDossier } from '../../parts/dossier/OpenDossier';
import { TwoKeywords } from '../../parts/dossier/TwoKeywords';
import { Desk } from './Desk';
import { DifferenceView } from './DifferenceView';
import { FIGURE_COLUMNS, siftExtra } from './extraColumns';
import { ListsView } from './ListsView';
import { RecipePanel } from './RecipePanel';
import { Removed } from './Removed';
import { SiftHead } from './SiftHead';
import { SiftTable } from './SiftTable';
import { useRecipe } from './useRecipe';
import { TreeView } from './TreeView';
import { useTranslations } from './useTranslations';
import { VariantsView } from './VariantsView';
import { WordsView } from './WordsView';
import '../../parts/pool/pool.css';
import './sift.css';
import './siftViews.css';
import { t } from '../../words/t';

/** From thousands of keywords to the right ones: the recipe at the left, what comes through at the right. */
export default function SiftStage() {
  const { project, scope, change } = useScope();
  const navigate = useNavigate();
  const { data: lookUps } = useLookUpsQuery(project);
  const here = (lookUps ?? []).filter(({ market }) => market === scope.market);
  const lookUp = here.find(({ id }) => id === scope.lookUp) ?? here[0];
  const opened = lookUp?.id;
  // The address names the pool that is open, so that a link to it opens the same one tomorrow.
  useEffect(() => {
    if (opened !== undefined && scope.lookUp !== opened) change({ lookUp: opened }, { replace: true });
  }, [opened, scope.lookUp, change]);
  if (lookUps && !lookUp) {
    return (
      <div className="empty">
        <div className="serif">{t('sift:SiftStage.nothingToSiftInThisMarket')}</div>
        {t('sift:SiftStage.lookUpRivalsFirstTheirKeywords')}{' '}
        <Button
          size="small"
          onClick={() => void navigate(`/p/${project}/look-up?market=${scope.market}&date=${scope.date}`)}
        >
          {t('sift:SiftStage.goToLookUp')}
        </Button>
      </div>
    );
  }
  if (!lookUp) return null;
  const view = readView(scope.view);
  return (
    <div className="sift">
      <div className="sift-top">
        <StageParts stage="sift" name={t('sift:SiftStage.sift')} />
        <span className="soft">
          {t('sift:SiftStage.pool')}{' '}
          <Select
            size="small"
            variant="borderless"
            className="written"
            aria-label={t('sift:SiftStage.pool')}
            popupMatchSelectWidth={false}
            value={lookUp.id}
            options={here.map((entry) => ({
              value: entry.id,
              label: `${entry.name}, ${spelledDay(entry.date)}, ${count(entry.keywords)}`,
            }))}
            onChange={(id) => change({ lookUp: id, view: '' })}
          />
        </span>
      </div>
      {view === 'lists' ? <ListsView /> : <Sifted key={lookUp.id} lookUp={lookUp} view={view} />}
    </div>
  );
}

/** The part that is open; what went and what changed are looked at from the table. */
type View = PartOf<'sift'> | 'difference';

function readView(view: string): View {
  return view === 'difference' ? view : partOf('sift', view);
}

function Sifted({ lookUp, view }: { lookUp: LookUp; view: View }) {
  const { project, scope, change } = useScope();
  const { data: markets } = useMarketsQuery();
  const recipe = useRecipe(lookUp);
  const sort = poolOrder(lookUp, scope.poolSort);
  const { pages, onVisible } = useVisiblePages();
  const { steps, rescued, goal } = recipe;
  const into = scope.into || null;
  const extra = siftExtra.shown(project, scope.siftColumns);
  const languages = into !== null || extra.includes('language');
  const contained = extra.includes('contained');
  const asked = FIGURE_COLUMNS.filter((name) => extra.includes(name)).join();
  const figures = useMemo(() => FIGURE_COLUMNS.filter((name) => asked.split(',').includes(name)), [asked]);
  const query = useMemo(
    () => ({
      steps,
      rescued,
      goal,
      find: scope.poolFind,
      sort,
      languages,
      contained,
      into,
      figures,
    }),
    [steps, rescued, goal, scope.poolFind, sort, languages, contained, into, figures],
  );
  const at = (page: number) => ({ lookUp: lookUp.id, query: { ...query, offset: page * PAGE_ROWS } });
  const first = useSiftQuery(at(0));
  const upper = useSiftQuery(at(pages[0]));
  const lower = useSiftQuery(at(pages[1]));
  const page = first.data;
  const rowAt = rowFinder([
    { page: 0, rows: first.data?.rows },
    { page: pages[0], rows: upper.currentData?.rows },
    { page: pages[1], rows: lower.currentData?.rows },
  ]);
  const untranslated = useTranslations(
    lookUp,
    useMemo(
      () => [first, upper, lower].flatMap(({ currentData }) => currentData?.rows ?? []),
      [first, upper, lower],
    ),
    into,
  );
  const own = LANGUAGES.find(
    (code) => code === markets?.find(({ code }) => code === lookUp.market)?.language,
  );
  useKeys('x', () => change({ into: into === null ? (own ?? 'en') : '' }, { replace: true }), [into, own]);
  const removedStep = scope.view.startsWith('removed-')
    ? steps.findIndex(({ id }) => id === scope.view.slice(8))
    : -1;
  return (
    <div className="sift-body">
      <RecipePanel recipe={recipe} page={page} />
      <div className="pool">
        <SiftHead lookUp={lookUp} recipe={recipe} page={page} query={query} />
        {first.error && <Problem error={first.error} />}
        {untranslated !== undefined && <Problem error={untranslated} />}
        {!page && !first.error && <p className="soft">{t('sift:SiftStage.openingThePool')}</p>}
        {view === 'words' && <WordsView lookUp={lookUp} recipe={recipe} />}
        {view === 'variants' && <VariantsView lookUp={lookUp} recipe={recipe} />}
        {view === 'compare' && <TwoKeywords />}
        {view === 'clusters' && <ClustersView lookUp={lookUp} recipe={recipe} />}
        {view === 'tree' && <TreeView lookUp={lookUp} recipe={recipe} />}
        {view === 'difference' && <DifferenceView lookUp={lookUp} recipe={recipe} />}
        {view === 'desk' && page && <Desk lookUp={lookUp} query={query} page={page} />}
        {view === 'table' && removedStep >= 0 && (
          <Removed lookUp={lookUp} recipe={recipe} step={removedStep} />
        )}
        {view === 'table' && removedStep < 0 && page && page.total > 0 && (
          <SiftTable
            lookUp={lookUp}
            page={page}
            rowAt={rowAt}
            listName={JSON.stringify(query)}
            onVisible={onVisible}
            onRelease={(keyword) => void recipe.release(keyword).catch(() => undefined)}
          />
        )}
        {view === 'table' && removedStep < 0 && page?.total === 0 && (
          <p className="soft">
            {page.through > 0
              ? t('sift:SiftStage.nothingThatCameThroughHoldsThis')
              : t('sift:SiftStage.nothingComesThroughEachSieveSays')}
          </p>
        )}
      </div>
      <OpenDossier />
    </div>
  );
}
