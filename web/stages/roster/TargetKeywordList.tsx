import type { Target } from '@opsimath/contract/api/targets';
import { Button, Spin } from 'antd';
import { Lane } from '../../parts/lane/Lane';
import { LaneHead } from '../../parts/lane/LaneHead';
import '../../parts/lane/lane.css';
import { Problem } from '../../parts/words/Problem';
import { count } from '../../parts/words/figures';
import { useTargetKeywordsQuery } from '../../state/rosterApi';
import { useScope } from '../../state/useScope';
import { useLookUpOf } from '../../state/useLookUpOf';

const LANE = 210;
const MIX = ['0–33', '34–66', '67–100', 'unknown'];

/** One target with all its keywords, and its tags with their positions and how hard they are. */
export function TargetKeywordList({ target }: { target: Target }) {
  const { project, scope } = useScope();
  const lookUp = useLookUpOf();
  const { data, error } = useTargetKeywordsQuery({
    project,
    target: target.id,
    market: scope.market,
    date: scope.date,
  });
  if (error) return <Problem error={error} />;
  if (!data) return <Spin style={{ marginTop: 16 }} />;
  return (
    <>
      <p style={{ margin: '12px 0 4px' }}>
        {count(data.total)} keywords, {count(data.atFirst)} at 1, {count(data.inFront)} in the front.
      </p>
      {data.tags.length > 0 && (
        <section className="section">
          <h3>Its tags</h3>
          <p className="soft">
            By difficulty: {data.difficultyMix.map((tags, i) => `${tags} at ${MIX[i]}`).join(', ')}. A higher
            figure is harder, not worse.
          </p>
          {data.tags.some((tag) => tag.position === 'unknown') && (
            <Button
              size="small"
              onClick={() =>
                lookUp(
                  data.tags.filter((tag) => tag.position === 'unknown').map((tag) => tag.text),
                  'list',
                )
              }
            >
              Look up those whose position is unknown
            </Button>
          )}
          <ul className="plain-list">
            {data.tags.map((tag) => (
              <li key={tag.text}>
                {tag.text}{' '}
                <span className="soft">
                  {typeof tag.position === 'number' ? `at ${tag.position}` : tag.position}, volume{' '}
                  {tag.volume === null ? 'unknown' : count(tag.volume)}
                </span>
              </li>
            ))}
          </ul>
        </section>
      )}
      <table className="ledger">
        <thead>
          <tr>
            <th>Keyword</th>
            <th>
              <LaneHead width={LANE} />
            </th>
            <th className="figure">Volume</th>
          </tr>
        </thead>
        <tbody>
          {data.rows.slice(0, 100).map((row) => (
            <tr key={row.id}>
              <td>
                {row.text}
                {row.isTag && <span className="faint"> tag</span>}
                {row.address !== null && row.address !== target.address && (
                  <div className="faint one-line" title={row.address}>
                    {row.address.slice(row.address.indexOf('/') + 1)}
                  </div>
                )}
              </td>
              <td>
                <Lane
                  width={LANE}
                  height={26}
                  front={10}
                  own={{ name: target.name, organic: row.organic, before: null, paid: row.paid }}
                  rivals={[]}
                />
              </td>
              <td className="figure">{count(row.volume)}</td>
            </tr>
          ))}
        </tbody>
      </table>
      {data.total > 100 && <p className="soft">The 100 most searched of {count(data.total)}.</p>}
    </>
  );
}
