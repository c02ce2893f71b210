import { Ledger } from '../../parts/table/Ledger';
import { count, percent } from '../../parts/words/figures';
import { useScope } from '../../state/useScope';
import { useVisitsQuery } from '../../state/watchApi';

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
      <h2>Visits from search</h2>
      <Ledger
        label="Visits from search"
        rows={[...data].reverse()}
        keyOf={({ month }) => month}
        columns={[
          { head: 'Month', cell: ({ month }) => month },
          {
            head: 'From search',
            figure: true,
            tip:
              named.length === 0
                ? 'No source of the file is search'
                : `Counted as search: ${named.join(', ')}`,
            cell: ({ search }) => count(search),
          },
          { head: 'All visits', figure: true, cell: ({ all }) => count(all) },
          {
            head: 'Share',
            figure: true,
            tip: 'It also rises when other sources fall: look at both figures',
            cell: ({ search, all }) => percent(all === 0 ? null : search / all),
          },
        ]}
      />
    </>
  );
}
