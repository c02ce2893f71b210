import type { GapQuery } from '@opsimath/contract/api/gaps';
import type { OnSurface } from '@opsimath/contract/api/surfaces';
import { Spin } from 'antd';
import { Empty } from '../../parts/words/Empty';
import { Problem } from '../../parts/words/Problem';
import { count, spelledDay } from '../../parts/words/figures';
import { useGapPageQuery } from '../../state/gapsApi';
import { useSurfacesQuery } from '../../state/standingApi';
import '../../parts/lane/lane.css';
import { useScope } from '../../state/useScope';

const SHOWN = 20;

/** The keywords of the choice on web, video and marketplace: who holds which slots, and how many could be ours. */
export function SurfacesView({ query }: { query: GapQuery }) {
  const { project, scope, change } = useScope();
  const page = useGapPageQuery({ project, query: { ...query, limit: SHOWN } });
  const ids = page.data?.rows.map(({ id }) => id) ?? [];
  const { data, error } = useSurfacesQuery(
    { project, query: { market: scope.market, date: scope.date, keywords: ids.join(',') } },
    { skip: ids.length === 0 },
  );
  if (page.error ?? error) return <Problem error={page.error ?? error} />;
  if (page.data?.total === 0)
    return (
      <Empty title="No keyword in this choice">Let go of a filter in the table, or choose others.</Empty>
    );
  if (!data) return <Spin style={{ marginTop: 16 }} />;
  const held = data.keywords.reduce((sum, keyword) => sum + keyword.held, 0);
  const could = data.keywords.reduce((sum, keyword) => sum + keyword.could, 0);
  const surfaces = data.keywords[0]?.surfaces ?? [];
  return (
    <section className="gap-part" aria-label="Across surfaces">
      <h1>
        We hold {count(held)} places on these fronts; {count(could)} could be ours
      </h1>
      <p className="soft">
        The first {SHOWN} keywords of the choice, in its order. Could be ours: what we hold, one place for
        every kind of target on the front that is not ours yet (page, video, listing), and every block that
        somebody else holds.
      </p>
      <table className="ledger surfaces">
        <thead>
          <tr>
            <th>Keyword</th>
            {surfaces.map(({ market, surface }) => (
              <th key={market}>{surface}</th>
            ))}
            <th className="figure">Ours</th>
            <th className="figure">Could be</th>
          </tr>
        </thead>
        <tbody>
          {data.keywords.map((keyword) => (
            <tr key={keyword.id}>
              <td>
                <button className="plain" onClick={() => change({ view: '', open: keyword.id })}>
                  <b>{keyword.text}</b>
                </button>
                <div className="faint">
                  {keyword.volume === null ? 'volume unknown' : `${count(keyword.volume)} a month`}
                </div>
              </td>
              {keyword.surfaces.map((on) => (
                <td key={on.market}>
                  <Held on={on} />
                </td>
              ))}
              <td className="figure">{keyword.held}</td>
              <td className="figure">{keyword.could}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </section>
  );
}

function Held({ on }: { on: OnSurface }) {
  if (on.captured === null) return <span className="faint">never captured here</span>;
  return (
    <div title={`Captured ${spelledDay(on.captured)}`}>
      <div>
        {on.ours.length > 0 ? <b>we at {on.ours.join(', ')}</b> : <span className="soft">we are absent</span>}
        {on.rivals.map(({ letter, name, positions }, n) =>
          positions.length === 0 ? null : (
            <span key={letter} className="best-of" title={name}>
              {' '}
              <span className={`letter hue-${n % 4}`}>{letter}</span> {positions.slice(0, 3).join(', ')}
            </span>
          ),
        )}
      </div>
      <div className="faint">
        {on.kinds
          .map(
            ({ kind, slots, ours }) =>
              `${slots} ${kind}${slots === 1 ? '' : 's'}${ours > 0 ? `, ${ours} ours` : ''}`,
          )
          .join('; ')}
      </div>
      {on.blocks.length > 0 && (
        <div className="faint">
          {on.blocks
            .map(
              ({ kind, slot, holder }) =>
                `${kind} at slot ${slot}: ${holder.side === 'own' ? 'ours' : (holder.owner ?? 'nobody')}`,
            )
            .join('; ')}
        </div>
      )}
    </div>
  );
}
