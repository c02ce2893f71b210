import type { Side, Target, TargetsAdded } from '@opsimath/contract/api/targets';
import { Button, Input, Popconfirm, Tooltip } from 'antd';
import { useState } from 'react';
import { Problem } from '../../parts/words/Problem';
import { count, percent, spelledDay } from '../../parts/words/figures';
import { useAddTargetsMutation, useRemoveTargetMutation } from '../../state/rosterApi';
import { useScope } from '../../state/useScope';
import { t, wordOf } from '../../words/t';

const WORDS = {
  own: {
    title: t('roster:TargetSection.we'),
    add: t('roster:TargetSection.oursSitesSectionsHostPathPages'),
    none: t('roster:TargetSection.addOurOwnSiteChannelOr'),
  },
  rival: {
    title: t('roster:TargetSection.rivals'),
    add: t('roster:TargetSection.rivalsAnyAddressOrIdOne'),
    none: t('roster:TargetSection.addAtLeastOneRivalTo'),
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
              <th>{t('roster:TargetSection.target')}</th>
              <th>{t('roster:TargetSection.kind')}</th>
              <th className="figure" title={t('roster:TargetSection.rowsOfItsNewestLookUp')}>
                {t('roster:TargetSection.held')}
              </th>
              <th className="figure" title={t('roster:TargetSection.n0100LogScaledAsThe')}>
                {t('roster:TargetSection.authority')}
              </th>
              <th className="figure">{t('roster:TargetSection.refDomains')}</th>
              <th className="figure">{t('roster:TargetSection.backlinks')}</th>
              <th className="figure" title={t('roster:TargetSection.shareOfLinksThatAreWorth')}>
                {t('roster:TargetSection.poorLinks')}
              </th>
              <th>{t('roster:TargetSection.updated')}</th>
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
          aria-label={t('roster:TargetSection.openName', { name: target.name })}
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
        {wordOf(target.kind)}
        {target.filled && target.filled.empty.length > 0 && (
          <Tooltip title={t('roster:TargetSection.emptyEmpty', { empty: target.filled.empty.join(', ') })}>
            <div className="faint">
              {t('roster:TargetSection.fullOfOfFilled', { full: target.filled.full, of: target.filled.of })}
            </div>
          </Tooltip>
        )}
      </td>
      <td
        className="figure"
        title={
          held
            ? t('roster:TargetSection.lookedUpForDate', { date: held.date })
            : t('roster:TargetSection.neverLookedUpInThisMarket')
        }
      >
        {held ? (
          count(held.organic || held.paid)
        ) : (
          <span className="faint">{t('roster:TargetSection.none')}</span>
        )}
      </td>
      <td className="figure">{count(figures?.authority)}</td>
      <td className="figure">
        {count(figures?.['referring domains'])}
        {target.manyLinksLittleAuthority && (
          <div className="faint" title={t('roster:TargetSection.authorityLiesInTheLowestTenth')}>
            {t('roster:TargetSection.manyLinksLittleAuthority')}
          </div>
        )}
      </td>
      <td className="figure">{count(figures?.backlinks)}</td>
      <td className="figure">{percent(figures?.['share of poor links'], 0)}</td>
      <td
        title={
          target.recordDate
            ? t('roster:TargetSection.asSeenOnRecordDate', { recordDate: target.recordDate })
            : undefined
        }
      >
        {target.record?.updated ? spelledDay(target.record.updated) : t('roster:TargetSection.unknown')}
      </td>
      <td className="figure">
        <Popconfirm
          title={t('roster:TargetSection.takeNameOutOfTheRoster', { name: target.name })}
          description={t('roster:TargetSection.whatWasCapturedStaysItCan')}
          okText={t('roster:TargetSection.takeOut')}
          cancelText={t('roster:TargetSection.keep')}
          onConfirm={() => void remove({ project, target: target.id })}
        >
          <button className="plain soft written">{t('roster:TargetSection.remove')}</button>
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
          aria-label={
            side === 'own'
              ? t('roster:TargetSection.addOursOneALine')
              : t('roster:TargetSection.addRivalsOneALine')
          }
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
          {t('roster:TargetSection.add')}
        </Button>
        {side === 'rival' && (
          <Button type="link" onClick={() => change({ view: 'find' })}>
            {t('roster:TargetSection.findRivals')}
          </Button>
        )}
      </div>
      {error && <Problem error={error} />}
      {left.map((line) => (
        <div key={line.line} className="soft" role="alert">
          {t('roster:TargetSection.lineLineTextReason', {
            line: line.line,
            text: line.text.slice(0, 60),
            reason: line.reason,
          })}
        </div>
      ))}
    </>
  );
}
