import type { GapPage } from '@opsimath/contract/api/gaps';
import type { GapQuery } from '@opsimath/contract/api/gapQuery';
import type { KeywordList } from '@opsimath/contract/api/lists';
import type { LookUp } from '@opsimath/contract/api/lookUps';
import { Select } from 'antd';
import { count, counted, spelledDay, worth } from '../../parts/words/figures';
import { useWhatToDoQuery } from '../../state/gapsApi';
import type { Scope } from '../../state/scope';
import { useScope } from '../../state/useScope';
import { isNarrowed } from './narrowed';
import { Told } from '../../words/Told';
import { t } from '../../words/t';

interface GapTitleProps {
  page: GapPage | undefined;
  query: GapQuery;
  scope: Scope;
  pools: readonly LookUp[];
  lists: readonly KeywordList[];
  busy: boolean;
  onChange: (change: Partial<Scope>) => void;
}

function chosenOf({ pool, list, only }: Scope): string {
  if (list !== null) return t('gaps:GapTitle.listList', { list });
  if (only !== '') return only;
  return pool === null ? 'all' : t('gaps:GapTitle.poolPool', { pool });
}

/** The answer of this stage in one line, and what it was compared over in the next. */
export function GapTitle({ page, query, scope, pools, lists, busy, onChange }: GapTitleProps) {
  const filtered = isNarrowed(scope);
  return (
    <div>
      <h1 aria-live="polite">{page ? titleWords(page, filtered) : t('gaps:GapTitle.comparing')}</h1>
      <div className="soft">
        {t('gaps:GapTitle.from')}{' '}
        <Select
          variant="borderless"
          size="small"
          aria-label={t('gaps:GapTitle.keywordsCompared')}
          className="written"
          popupMatchSelectWidth={false}
          value={chosenOf(scope)}
          onChange={(chosen) => {
            const [kind, id] = chosen.split(' ');
            onChange({
              pool: kind === 'pool' ? Number(id) : null,
              list: kind === 'list' ? Number(id) : null,
              only: kind === 'tracked' ? 'tracked' : '',
              open: null,
            });
          }}
          options={[
            { value: 'all', label: t('gaps:GapTitle.allKeywords') },
            { value: 'tracked', label: t('gaps:GapTitle.allThatAreTracked') },
            ...lists.map(({ id, name }) => ({
              value: `list ${id}`,
              label: t('gaps:GapTitle.listName', { name }),
            })),
            ...pools.map((pool) => ({
              value: `pool ${pool.id}`,
              label: t('gaps:GapTitle.lookUpNameDate', { name: pool.name, date: spelledDay(pool.date) }),
            })),
          ]}
        />
        {page && (
          <>
            {' '}
            {counted(page.totals.keywords, 'keyword')}
            {'. '}
            <FirstWork query={query} />
            {!filtered && <OnFront totals={page.totals} />}
            {busy && ` ${t('gaps:GapTitle.working')}`}
          </>
        )}
      </div>
    </div>
  );
}

/** What the first pieces of work would add: the same figure as in What to do, which counts each gain once. */
function FirstWork({ query }: { query: GapQuery }) {
  const { project, change } = useScope();
  const { sort: _, ...rest } = query;
  const { currentData: work } = useWhatToDoQuery({ project, query: { ...rest, offset: 0, limit: 1 } });
  if (!work?.first) return null;
  const { lines, value, low, high } = work.first;
  return (
    <>
      <Told
        id="gaps:GapTitle.theFirstLinesPiecesOfWork"
        values={{ lines, worth: worth(value), currency: work.currency, low: worth(low), high: worth(high) }}
        parts={{ button: <button className="plain written" onClick={() => change({ view: 'work' })} /> }}
      />
    </>
  );
}

/** How often we are on the front, with and without what brings little. */
function OnFront({ totals: { onFront, onFrontWithDemand } }: { totals: GapPage['totals'] }) {
  if (onFront === 0) return null;
  return (
    <span title={t('gaps:GapTitle.fewerClicksAMonthAtOur')}>
      {' '}
      {t('gaps:GapTitle.weAreOnTheFrontFor', {
        onFront: count(onFront),
        onFrontWithDemand: count(onFrontWithDemand),
      })}
    </span>
  );
}

function titleWords({ total, totals }: GapPage, filtered: boolean): string {
  if (filtered)
    return t('gaps:GapTitle.keywordsWhichTheseFilters', {
      keywords: counted(total, 'keyword'),
      which: total === 1 ? t('gaps:GapTitle.matches') : t('gaps:GapTitle.match'),
    });
  const behind = totals.kinds.absent + totals.kinds.buried + totals.kinds.trailing;
  return t('gaps:GapTitle.keywordsWhereARivalStandsOn', { keywords: counted(behind, 'keyword') });
}
