import type { Side, Target, TargetsAdded } from '@opsimath/contract/api/targets';
import { Button, Input, Popconfirm, Tooltip } from 'antd';
import { useState } from 'react';
import { Problem } from '../../parts/words/Problem';
import { count, percent, spelledDay } from '../../parts/words/figures';
import { useAddTargetsMutation, useRemoveTargetMutation } from '../../state/rosterApi';
import { useScope } from '../../state/useScope';

const WORDS = {
  own: {
    title: 'We',
    add: 'Ours: sites, sections (host/path/*), pages, channels, videos, shops, listings; one a line',
    none: 'Add our own site, channel or shop: gaps are measured from it.',
  },
  rival: {
    title: 'Rivals',
    add: 'Rivals: any address or id, one a line',
    none: 'Add at least one rival to compare with, or find some from a seed keyword.',
  },
};

/** The targets of one side with what is publicly known of them, and a box to add more. */
export function TargetSection({ side, targets }: { side: Side; targets: readonly Target[] }) {
  const words = WORDS[side];
  const { scope } = useScope();
  const narrow = scope.target !== null;
  return (
    <section className="section">
      <h2>{words.title}</h2>
      {targets.length > 0 ? (
        <table className={`ledger targets ${narrow ? 'narrow' : ''}`}>
          <thead>
            <tr>
              <th>Target</th>
              <th>Kind</th>
              <th className="figure" title="Rows of its newest look-up: keywords with the target that ranks">
                Held
              </th>
              <th className="figure" title="0–100, log-scaled, as the services give it">
                Authority
              </th>
              <th className="figure">Ref. domains</th>
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
              <TargetRow key={target.id} target={target} />
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

function TargetRow({ target }: { target: Target }) {
  const { project, scope, change } = useScope();
  const [remove] = useRemoveTargetMutation();
  const figures = target.record?.figures;
  const held = target.held.find(({ market }) => market === scope.market);
  return (
    <tr className={scope.target === target.id ? 'open' : undefined}>
      <td className="target-cell">
        <button
          className="plain target-name"
          aria-label={`Open ${target.name}`}
          onClick={() => change({ target: target.id })}
        >
          <b>{target.name}</b>
        </button>{' '}
        <span className="faint">{target.address}</span>
        {target.record && target.record.title !== target.name && (
          <div className="soft one-line" title={target.record.title}>
            {target.record.title}
          </div>
        )}
      </td>
      <td>
        {target.kind}
        {target.filled && target.filled.empty.length > 0 && (
          <Tooltip title={`Empty: ${target.filled.empty.join(', ')}`}>
            <div className="faint">
              {target.filled.full} of {target.filled.of} filled
            </div>
          </Tooltip>
        )}
      </td>
      <td className="figure" title={held ? `looked up for ${held.date}` : 'never looked up in this market'}>
        {held ? count(held.organic || held.paid) : <span className="faint">none</span>}
      </td>
      <td className="figure">{count(figures?.authority)}</td>
      <td className="figure">
        {count(figures?.['referring domains'])}
        {target.manyLinksLittleAuthority && (
          <div className="faint" title="Authority lies in the lowest tenth for so many referring domains">
            many links, little authority
          </div>
        )}
      </td>
      <td className="figure">{count(figures?.backlinks)}</td>
      <td className="figure">{percent(figures?.['share of poor links'], 0)}</td>
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
          <button className="plain soft written">remove</button>
        </Popconfirm>
      </td>
    </tr>
  );
}

function AddBox({ side, placeholder }: { side: Side; placeholder: string }) {
  const { project, scope, change } = useScope();
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
          aria-label={side === 'own' ? 'Add ours, one a line' : 'Add rivals, one a line'}
          placeholder={placeholder}
          autoSize={{ minRows: 1, maxRows: 8 }}
          value={text}
          onChange={(event) => setText(event.target.value)}
        />
        <Button
          onClick={() => void submit().catch(() => undefined)}
          loading={isLoading}
          disabled={text.trim() === ''}
        >
          Add
        </Button>
        {side === 'rival' && (
          <Button type="link" onClick={() => change({ view: 'find' })}>
            Find rivals
          </Button>
        )}
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
