import { Button, Popconfirm, Select } from 'antd';
import { useState } from 'react';
import { Problem } from '../../parts/words/Problem';
import { spelledDay } from '../../parts/words/figures';
import { useFrozenQuery, useFrozenReportsQuery, useRemoveFrozenMutation } from '../../state/frozenApi';
import { useScope } from '../../state/useScope';
import { FrozenDifferenceView } from './FrozenDifferenceView';
import { ReportPaper } from './ReportPaper';
import { Sharing } from './Sharing';
import { TakeAway } from './TakeAway';

/** A report as it was when it was frozen: the same whatever the data say today. */
export function FrozenReport({ id }: { id: number }) {
  const { project, scope, change } = useScope();
  const { data, error } = useFrozenQuery({ project, id });
  const { data: all } = useFrozenReportsQuery(project);
  const [remove] = useRemoveFrozenMutation();
  const [sharing, share] = useState(false);
  if (error) return <Problem error={error} />;
  if (!data) return <p className="soft">Opening what was frozen…</p>;
  const { frozen, content, asItWas } = data;
  const earlier = (all ?? []).filter((one) => one.id !== id && one.market === frozen.market);
  const takeAway = async (): Promise<void> => {
    await remove({ project, id }).unwrap();
    change({ frozen: null, against: null });
  };
  return (
    <>
      <div className="report-tools no-print">
        <span className="soft frozen-line">
          Frozen {frozen.madeAt.slice(0, 16).replace('T', ' ')} UTC ·{' '}
          {asItWas ? 'as it was' : 'not as it was: its checksum does not fit any more'} · SHA-256{' '}
          <code title={frozen.checksum}>{frozen.checksum.slice(0, 12)}…</code>
        </span>
        {earlier.length > 0 && (
          <Select
            size="small"
            aria-label="Hold against an earlier one"
            style={{ minWidth: 190 }}
            popupMatchSelectWidth={false}
            value={scope.against ?? 0}
            options={[
              { value: 0, label: 'Hold against…' },
              ...earlier.map((one) => ({ value: one.id, label: `${one.title}, ${spelledDay(one.date)}` })),
            ]}
            onChange={(against) => change({ against: against === 0 ? null : against })}
          />
        )}
        <Button size="small" aria-expanded={sharing} onClick={() => share(!sharing)}>
          Share
        </Button>
        <TakeAway what={{ frozen: id }} content={content} />
        <Popconfirm
          title="What was frozen cannot be made again. Remove it?"
          okText="Remove"
          cancelText="Keep"
          onConfirm={() => void takeAway().catch(() => undefined)}
        >
          <Button size="small">Remove</Button>
        </Popconfirm>
      </div>
      <div className="report-desk wide">
        {sharing && <Sharing id={id} />}
        {scope.against !== null && <FrozenDifferenceView id={id} before={scope.against} />}
        <ReportPaper content={content} />
      </div>
    </>
  );
}
