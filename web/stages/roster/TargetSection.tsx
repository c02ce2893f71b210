import type { Side, Target, TargetsAdded } from '@opsimath/contract/api/targets';
import { Button, Input, Popconfirm } from 'antd';
import { useState } from 'react';
import { Problem } from '../../parts/words/Problem';
import { count, percent, spelledDay } from '../../parts/words/figures';
import { useAddTargetsMutation, useRemoveTargetMutation } from '../../state/api';
import { useScope } from '../../state/useScope';

const WORDS = {
  own: {
    title: 'We',
    add: 'Our sites or pages, one a line',
    none: 'Add our own site: gaps are measured from it.',
  },
  rival: {
    title: 'Rivals',
    add: 'Rival sites or pages, one a line',
    none: 'Add at least one rival to compare with.',
  },
};

/** The targets of one side with what is publicly known of them, and a box to add more. */
export function TargetSection({ side, targets }: { side: Side; targets: readonly Target[] }) {
  const { project } = useScope();
  const [remove] = useRemoveTargetMutation();
  const words = WORDS[side];
  return (
    <section className="section">
      <h2>{words.title}</h2>
      {targets.length > 0 ? (
        <table className="ledger targets">
          <thead>
            <tr>
              <th>Target</th>
              <th>Kind</th>
              <th className="figure" title="0–100, log-scaled, as the services give it">
                Authority
              </th>
              <th className="figure">Referring domains</th>
              <th className="figure">Backlinks</th>
              <th className="figure" title="Share of links that are worth nothing">
                Poor links
              </th>
              <th>Updated</th>
              <th />
            </tr>
          </thead>
          <tbody>
            {targets.map((target) => (
              <tr key={target.id}>
                <td className="target-cell">
                  <b>{target.name}</b> <span className="faint">{target.address}</span>
                  {target.record && (
                    <div className="soft one-line" title={target.record.title}>
                      {target.record.title}
                    </div>
                  )}
                </td>
                <td>{target.kind}</td>
                <td className="figure">{count(target.record?.figures.authority)}</td>
                <td className="figure">{count(target.record?.figures['referring domains'])}</td>
                <td className="figure">{count(target.record?.figures.backlinks)}</td>
                <td className="figure">{percent(target.record?.figures['share of poor links'], 0)}</td>
                <td title={target.recordDate ? `As seen on ${target.recordDate}` : undefined}>
                  {target.record?.updated ? spelledDay(target.record.updated) : 'unknown'}
                </td>
                <td className="figure">
                  <Popconfirm
                    title={`Take ${target.name} out of the roster?`}
                    description="What was captured stays; it can be added again."
                    okText="Take out"
                    cancelText="Keep"
                    onConfirm={() => void remove({ project, target: target.id })}
                  >
                    <button className="plain soft written">take out</button>
                  </Popconfirm>
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      ) : (
        <p className="soft">{words.none}</p>
      )}
      <AddBox side={side} placeholder={words.add} />
    </section>
  );
}

function AddBox({ side, placeholder }: { side: Side; placeholder: string }) {
  const { project, scope } = useScope();
  const [text, setText] = useState('');
  const [left, setLeft] = useState<TargetsAdded['left']>([]);
  const [add, { isLoading, error }] = useAddTargetsMutation();
  const submit = async (): Promise<void> => {
    const answer = await add({ project, side, market: scope.market, text }).unwrap();
    setLeft(answer.left);
    const lines = text.split(/\r\n|[\r\n]/);
    setText(answer.left.map(({ line }) => lines[line - 1] ?? '').join('\n'));
  };
  return (
    <>
      <div className="add-box">
        <Input.TextArea
          aria-label={placeholder}
          placeholder={placeholder}
          autoSize={{ minRows: 1, maxRows: 8 }}
          value={text}
          onChange={(event) => setText(event.target.value)}
        />
        <Button onClick={() => void submit()} loading={isLoading} disabled={text.trim() === ''}>
          Add
        </Button>
      </div>
      {error && <Problem error={error} />}
      {left.map((line) => (
        <div key={line.line} className="soft" role="alert">
          Line {line.line}, “{line.text.slice(0, 60)}”: {line.reason}.
        </div>
      ))}
    </>
  );
}
