import type { LookUp } from '@opsimath/contract/api/lookUps';
import { useMemo } from 'react';
import { Link, useLocation } from 'react-router';
import { useVisiblePages, PAGE_ROWS, rowFinder } from '../../parts/table/usePages';
import { Problem } from '../../parts/words/Problem';
import { age, count, counted, spelledDay } from '../../parts/words/figures';
import { usePoolQuery } from '../../state/lookUpApi';
import { useOldAfter } from '../../state/useOldAfter';
import { GIVEN, poolOrder } from '../../state/poolOrder';
import { useScope } from '../../state/useScope';
import { ListLines } from './ListLines';
import { PoolChangeView } from './PoolChangeView';
import { PoolFilters } from './PoolFilters';
import { PoolMenu } from './PoolMenu';
import { PoolTable } from './PoolTable';
import { StrangeTargets } from './StrangeTargets';
import { SeedRows } from './SeedRows';
import { t } from '../../words/t';

interface PoolProps {
  lookUp: LookUp;
  lookUps: readonly LookUp[];
}

/** The pool of one look-up: every keyword with how it was found and where each target stands. */
export function Pool({ lookUp, lookUps }: PoolProps) {
  const { project, scope, change } = useScope();
  const sort = poolOrder(lookUp, scope.poolSort);
  const { search } = useLocation();
  const { pages, onVisible } = useVisiblePages();
  const query = useMemo(
    () => ({
      find: scope.poolFind,
      words: scope.poolWords,
      mode: scope.poolMode,
      foundBy: scope.poolFound,
      without: scope.poolWithout,
      sort,
    }),
    [scope.poolFind, scope.poolWords, scope.poolMode, scope.poolFound, scope.poolWithout, sort],
  );
  const at = (page: number) => ({ lookUp: lookUp.id, query: { ...query, offset: page * PAGE_ROWS } });
  const first = usePoolQuery(at(0));
  const upper = usePoolQuery(at(pages[0]));
  const lower = usePoolQuery(at(pages[1]));
  const page = first.data;
  const rowAt = rowFinder([
    { page: 0, rows: first.currentData?.rows },
    { page: pages[0], rows: upper.currentData?.rows },
    { page: pages[1], rows: lower.currentData?.rows },
  ]);
  const oldAfter = useOldAfter(lookUp.surface);
  const narrowed = page !== undefined && page.total !== page.all;
  const against = scope.view.startsWith('against-') ? Number(scope.view.slice(8)) : null;
  return (
    <div className="pool">
      <header className="pool-head">
        <div className="pool-title">
          <h1>
            {count(page?.total ?? lookUp.keywords)}{' '}
            {narrowed
              ? t('lookup:Pool.ofKeywords', { keywords: counted(page.all, 'keyword') })
              : t('lookup:Pool.keywords')}
          </h1>
          <div className="soft">
            {lookUp.name}
            {', '}
            {spelledDay(lookUp.date)}
            {age(lookUp.date, scope.date, oldAfter)}.{' '}
            {page &&
              `${t('lookup:Pool.withVolumeWithAKnownVolume', { withVolume: count(page.withVolume) })} `}
            {lookUp.kind === 'list' && lookUp.parts.map(({ message }) => message && `${message}. `)}
            <ListLines lines={lookUp.request.keywords} />
            {lookUp.kind === 'list' && sort !== GIVEN && (
              <>
                <button className="plain written" onClick={() => change({ poolSort: '' }, { replace: true })}>
                  {t('lookup:Pool.inTheOrderGiven')}
                </button>{' '}
              </>
            )}
            {lookUp.targets.length === 1 &&
              lookUp.kind === 'targets' &&
              `${t('lookup:Pool.oneTargetGivesAOneSided')} `}
            {page?.lookedUpOfTen !== null &&
              page !== undefined &&
              `${t('lookup:Pool.lookedUpOfTenOfTheFirstTenLooked', { lookedUpOfTen: page.lookedUpOfTen })} `}
            <Link
              to={`/p/${project}/gaps?${new URLSearchParams({ ...Object.fromEntries(new URLSearchParams(search)), pool: String(lookUp.id) })}`}
            >
              {t('lookup:Pool.compareTheseInGaps')}
            </Link>
          </div>
        </div>
        <PoolMenu lookUp={lookUp} lookUps={lookUps} query={query} page={page} rowAt={rowAt} />
      </header>
      <StrangeTargets lookUp={lookUp} />
      {against !== null ? (
        <PoolChangeView lookUp={lookUp} against={against} />
      ) : (
        <>
          {page && page.all > 0 && <PoolFilters page={page} seeds={lookUp.request.seeds} />}
          {first.error && <Problem error={first.error} />}
          {!page && !first.error && <p className="soft">{t('lookup:Pool.openingThePool')}</p>}
          {page && page.seeds.length > 0 && <SeedRows rows={page.seeds} />}
          {page && page.total > 0 && (
            <PoolTable
              lookUp={lookUp}
              page={page}
              rowAt={rowAt}
              listName={JSON.stringify(query)}
              onVisible={onVisible}
            />
          )}
          {page?.total === 0 && (
            <p className="soft">
              {page.all > 0 ? t('lookup:Pool.noKeywordOfThisPoolPasses') : t('lookup:Pool.nothingHasComeYet')}
            </p>
          )}
        </>
      )}
    </div>
  );
}
