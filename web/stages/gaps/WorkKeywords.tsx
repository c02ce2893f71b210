import type { GapQuery } from '@opsimath/contract/api/gapQuery';
import type { WorkLine } from '@opsimath/contract/api/whatToDo';
import { LaneHead } from '../../parts/lane/LaneHead';
import { RowLane } from '../../parts/lane/RowLane';
import { Problem } from '../../parts/words/Problem';
import { Waiting } from '../../parts/words/Waiting';
import { count, worth } from '../../parts/words/figures';
import { useGapPageQuery } from '../../state/gapsApi';
import { useScope } from '../../state/useScope';
import { t } from '../../words/t';

const WIDTH = 260;
/** Keywords that are shown of a line. */
const MOST = 25;

/** The keywords that a piece of work serves, each with its lane and what it wins or loses. */
export function WorkKeywords({ line, query }: { line: WorkLine; query: Omit<GapQuery, 'sort'> }) {
  const { project, change } = useScope();
  const shown = line.serves.slice(0, MOST);
  const { market, date, compare, pool, list, only } = query;
  const { data, error } = useGapPageQuery({
    project,
    query: {
      ...{ market, date, compare, pool, list, only },
      chosen: shown.map(({ id }) => id),
      limit: MOST,
    },
  });
  if (error) return <Problem error={error} />;
  if (!data) return <Waiting for={t('gaps:WorkKeywords.theKeywordsItServes')} />;
  const rows = new Map(data.rows.map((row) => [row.id, row]));
  return (
    <table className="ledger work-keywords" aria-label={t('gaps:WorkKeywords.keywordsThatItServes')}>
      <thead>
        <tr>
          <th>{t('gaps:WorkKeywords.keyword')}</th>
          <th>
            <LaneHead width={WIDTH} />
          </th>
          <th className="figure" title={t('gaps:WorkKeywords.searchesAMonth')}>
            {t('gaps:WorkKeywords.volume')}
          </th>
          <th className="figure" title={t('gaps:WorkKeywords.clicksAMonthThatItWins')}>
            {t('gaps:WorkKeywords.clicks')}
          </th>
          <th
            className="figure"
            title={t('gaps:WorkKeywords.whatThatIsWorthInCurrency', { currency: data.currency })}
          >
            {t('gaps:WorkKeywords.adds', { currency: data.currency })}
          </th>
        </tr>
      </thead>
      <tbody>
        {shown.map(({ id, text, clicks, value }) => {
          const row = rows.get(id);
          return (
            <tr key={id}>
              <td>
                <button className="plain" onClick={() => change({ open: id })}>
                  {id === line.lead.id ? <b>{text}</b> : text}
                </button>
              </td>
              <td>
                {row && (
                  <RowLane
                    row={row}
                    own={data.own}
                    rivals={data.rivals}
                    front={data.front}
                    width={WIDTH}
                    height={26}
                  />
                )}
              </td>
              <td className="figure">{row ? count(row.volume) : ''}</td>
              <td className="figure">{signed(Math.round(clicks))}</td>
              <td className="figure">{worth(value)}</td>
            </tr>
          );
        })}
      </tbody>
      {line.serves.length > MOST && (
        <tfoot>
          <tr>
            <td colSpan={5} className="soft">
              {t('gaps:WorkKeywords.theMOSTThatMatterMostAre', { MOST })}
            </td>
          </tr>
        </tfoot>
      )}
    </table>
  );
}

const signed = (clicks: number): string =>
  clicks > 0 ? `+${count(clicks)}` : count(clicks).replace('-', '−');
