import type { FrozenDifference } from '@opsimath/contract/api/reports';
import { Ledger } from '../../parts/table/Ledger';
import { Problem } from '../../parts/words/Problem';
import { count, counted, spelledDay } from '../../parts/words/figures';
import { useFrozenDifferenceQuery } from '../../state/frozenApi';
import { useScope } from '../../state/useScope';
import { t } from '../../words/t';

type Moved = FrozenDifference['closed'][number];

/** What was closed and what opened since another frozen report. */
export function FrozenDifferenceView({ id, before }: { id: number; before: number }) {
  const { project } = useScope();
  const { data, error } = useFrozenDifferenceQuery({ project, id, before });
  if (error) return <Problem error={error} />;
  if (!data) return <p className="soft">{t('report:FrozenDifferenceView.holdingThemAgainstEachOther')}</p>;
  return (
    <section className="frozen-difference" aria-label={t('report:FrozenDifferenceView.sinceThen')}>
      <h2>
        {t('report:FrozenDifferenceView.closedInAllClosedOpenedInAllOpened', {
          closedInAll: count(data.closedInAll),
          openedInAll: count(data.openedInAll),
          date: spelledDay(data.before.date),
        })}
      </h2>
      <p className="soft">
        {t('report:FrozenDifferenceView.overKeywordsThatAreInBoth', {
          keywords: counted(data.both, 'keyword'),
          came: count(data.came),
          went: count(data.went),
        })}
      </p>
      <div className="two">
        <Side title={t('report:FrozenDifferenceView.closedNoRivalStandsBeforeUs')} rows={data.closed} />
        <Side title={t('report:FrozenDifferenceView.openedARivalStandsBeforeUs')} rows={data.opened} />
      </div>
    </section>
  );
}

const MOST = 25;

function Side({ title, rows }: { title: string; rows: readonly Moved[] }) {
  return (
    <div>
      <h3>{title}</h3>
      {rows.length === 0 ? (
        <p className="soft">{t('report:FrozenDifferenceView.none')}</p>
      ) : (
        <Ledger
          label={title}
          rows={rows.slice(0, MOST)}
          keyOf={({ keyword }) => keyword}
          columns={[
            { head: t('report:FrozenDifferenceView.keyword'), cell: ({ keyword }) => keyword },
            {
              head: t('report:FrozenDifferenceView.before'),
              cell: ({ before, ownBefore }) =>
                `${before ?? t('report:FrozenDifferenceView.notKnown')}${said(ownBefore)}`,
            },
            {
              head: t('report:FrozenDifferenceView.now'),
              cell: ({ after, ownAfter }) =>
                `${after ?? t('report:FrozenDifferenceView.notKnown')}${said(ownAfter)}`,
            },
            {
              head: t('report:FrozenDifferenceView.searches'),
              figure: true,
              cell: ({ demand }) => count(demand),
            },
          ]}
        />
      )}
      {rows.length > MOST && (
        <p className="soft">
          {t('report:FrozenDifferenceView.andRowsMore', { rows: count(rows.length - MOST) })}
        </p>
      )}
    </div>
  );
}

const said = (position: Moved['ownBefore']): string => (typeof position === 'number' ? `, ${position}` : '');
