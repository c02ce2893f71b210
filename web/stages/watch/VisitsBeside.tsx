import { Ledger } from '../../parts/table/Ledger';
import { count, percent } from '../../parts/words/figures';
import { useScope } from '../../state/useScope';
import { useVisitsQuery } from '../../state/watchApi';
import { t } from '../../words/t';

/** How much of all visits came from search, month by month: the share beside both figures it is made of. */
export function VisitsBeside() {
  const { project } = useScope();
  const { data } = useVisitsQuery(project);
  if (!data || data.length === 0) return null;
  const named = [
    ...new Set(
      data.flatMap(({ sources }) => sources.filter(({ isSearch }) => isSearch).map(({ source }) => source)),
    ),
  ];
  return (
    <>
      <h2>{t('watch:VisitsBeside.visitsFromSearch')}</h2>
      <Ledger
        label={t('watch:VisitsBeside.visitsFromSearch')}
        rows={[...data].reverse()}
        keyOf={({ month }) => month}
        columns={[
          { head: t('watch:VisitsBeside.month'), cell: ({ month }) => month },
          {
            head: t('watch:VisitsBeside.fromSearch'),
            figure: true,
            tip:
              named.length === 0
                ? t('watch:VisitsBeside.noSourceOfTheFileIs')
                : t('watch:VisitsBeside.countedAsSearchNamed', { named: named.join(', ') }),
            cell: ({ search }) => count(search),
          },
          { head: t('watch:VisitsBeside.allVisits'), figure: true, cell: ({ all }) => count(all) },
          {
            head: t('watch:VisitsBeside.share'),
            figure: true,
            tip: t('watch:VisitsBeside.itAlsoRisesWhenOtherSources'),
            cell: ({ search, all }) => percent(all === 0 ? null : search / all),
          },
        ]}
      />
    </>
  );
}
