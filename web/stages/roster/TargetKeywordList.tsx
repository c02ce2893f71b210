import type { Target, TargetKeywords } from '@opsimath/contract/api/targets';
import { DEPTH_BANDS, type DepthBand } from '@opsimath/core/ranking/position';
import { Button } from 'antd';
import { useState } from 'react';
import { Lane } from '../../parts/lane/Lane';
import { LaneHead } from '../../parts/lane/LaneHead';
import '../../parts/lane/lane.css';
import { Ledger } from '../../parts/table/Ledger';
import { Tick } from '../../parts/table/Tick';
import { FilterToggle } from '../../parts/words/FilterToggle';
import { Waiting } from '../../parts/words/Waiting';
import { OpenKeyword } from '../../parts/words/OpenKeyword';
import { Problem } from '../../parts/words/Problem';
import { count, counted } from '../../parts/words/figures';
import { useTargetKeywordsQuery } from '../../state/rosterApi';
import { useScope } from '../../state/useScope';
import { useFrontSize } from '../../state/useFrontSize';
import { useLookUpOf } from '../../state/useLookUpOf';
import { useShown } from '../../state/useShown';
import { useTraySelection } from '../../state/useTraySelection';

const LANE = 165;
const FEW = 100;
const MIX = ['0–33', '34–66', '67–100', 'unknown'];

/** One target with all its keywords, by depth, and its tags with their positions and how hard they are. */
export function TargetKeywordList({ target }: { target: Target }) {
  const { project, scope } = useScope();
  const [band, setBand] = useShown<DepthBand | ''>('targetDepth', '', DEPTH_BANDS);
  const { data, error } = useTargetKeywordsQuery({
    project,
    target: target.id,
    market: scope.market,
    date: scope.date,
    band: band === '' ? undefined : band,
  });
  if (error) return <Problem error={error} />;
  if (!data) return <Waiting for="its keywords" />;
  return (
    <>
      <p style={{ margin: '12px 0 4px' }}>
        {counted(data.total, 'keyword')}, {count(data.atFirst)} at 1, {count(data.inFront)} in the front.
      </p>
      <div className="marks" role="group" aria-label="By depth">
        {DEPTH_BANDS.map((name, n) => (
          <FilterToggle
            key={name}
            name={name}
            tip={DEPTH_TIPS[name] ?? `Keywords for which it stands at ${name}`}
            count={data.depth[n]}
            on={band === name}
            onPress={() => setBand(band === name ? '' : name)}
          />
        ))}
      </div>
      <Tags data={data} />
      <Keywords target={target} data={data} />
    </>
  );
}

const DEPTH_TIPS: Partial<Record<DepthBand, string>> = {
  absent: 'Looked for to the depth of a capture, and not found.',
  unknown: 'Known of it, but not where it stands without paying.',
};

function Keywords({ target, data }: { target: Target; data: TargetKeywords }) {
  const front = useFrontSize();
  const { selected, select } = useTraySelection();
  const [all, setAll] = useState(false);
  const rows = all ? data.rows : data.rows.slice(0, FEW);
  return (
    <>
      <Ledger
        label="Its keywords"
        rows={rows}
        keyOf={({ id }) => id}
        empty="None at this depth."
        take={`Keywords of ${target.name}`}
        columns={[
          {
            head: '',
            label: 'In the tray',
            cell: (row) => <Tick on={selected.has(row.id)} text={row.text} onPress={() => select(row)} />,
          },
          {
            head: 'Keyword',
            cell: (row) => (
              <>
                <OpenKeyword id={row.id} text={row.text} />
                {row.isTag && <span className="faint"> tag</span>}
                {row.address !== null && row.address !== target.address && (
                  <div className="faint one-line" title={row.address}>
                    {row.address.slice(row.address.indexOf('/') + 1)}
                  </div>
                )}
              </>
            ),
          },
          {
            head: <LaneHead width={LANE} />,
            label: 'Position',
            cell: (row) => (
              <Lane
                width={LANE}
                height={26}
                front={front}
                own={{ name: target.name, organic: row.organic, before: null, paid: row.paid }}
                rivals={[]}
              />
            ),
          },
          { head: 'Volume', figure: true, cell: ({ volume }) => count(volume) },
        ]}
      />
      {data.matched > rows.length && (
        <p className="soft">
          The {count(rows.length)} most searched of {count(data.matched)}.{' '}
          {rows.length < data.rows.length && (
            <button className="plain written" onClick={() => setAll(true)}>
              Show {count(data.rows.length)}
            </button>
          )}
        </p>
      )}
    </>
  );
}

function Tags({ data }: { data: TargetKeywords }) {
  const lookUp = useLookUpOf();
  if (data.tags.length === 0) return null;
  const unknown = data.tags.filter((tag) => tag.position === 'unknown').map((tag) => tag.text);
  return (
    <section className="section">
      <h3>Its tags</h3>
      <p className="soft">
        By difficulty: {data.difficultyMix.map((tags, i) => `${tags} at ${MIX[i]}`).join(', ')}. A higher
        figure is harder, not worse.
      </p>
      {unknown.length > 0 && (
        <Button size="small" onClick={() => lookUp(unknown, 'list')}>
          Look up those whose position is unknown
        </Button>
      )}
      <ul className="plain-list">
        {data.tags.map((tag) => (
          <li key={tag.text}>
            {tag.id === null ? tag.text : <OpenKeyword id={tag.id} text={tag.text} />}{' '}
            <span className="soft">
              {typeof tag.position === 'number' ? `at ${tag.position}` : tag.position}, volume{' '}
              {tag.volume === null ? 'unknown' : count(tag.volume)}
            </span>
          </li>
        ))}
      </ul>
    </section>
  );
}
