import type { ChangeEffect, EffectsView } from '@opsimath/contract/api/watch';
import { Fragment, useState } from 'react';
import { Link } from 'react-router';
import { useScope } from '../../state/useScope';
import { Empty } from '../../parts/words/Empty';
import { count, counted, decimal, spelledDay, worth } from '../../parts/words/figures';
import { EffectDetail } from './EffectDetail';
import { IntervalMark } from './IntervalMark';
import { clicksWords, effectWord, readyWords } from './watchWords';
import { t, wordOf } from '../../words/t';

/** Every change with what it did: interval, clicks, worth, whether it lasts, and how that compares with what was foretold. */
export function WatchChanges({ effects: { changes, kinds, currency } }: { effects: EffectsView }) {
  const [open, setOpen] = useState<number | null>(null);
  const { project, scope } = useScope();
  if (changes.length === 0)
    return (
      <Empty title={t('watch:WatchChanges.nothingHasBeenChangedYet')}>
        {t('watch:WatchChanges.publishADraftOrNoteIn')}{' '}
        <Link className="written" to={`/p/${project}/drafts?market=${scope.market}&date=${scope.date}`}>
          {t('watch:WatchChanges.openTheDrafts')}
        </Link>
      </Empty>
    );
  const most = Math.max(
    1,
    ...changes.flatMap(({ effect }) =>
      effect.state === 'told' ? [Math.abs(effect.clicks.low), Math.abs(effect.clicks.high)] : [],
    ),
  );
  return (
    <>
      <table className="ledger" aria-label={t('watch:WatchChanges.changesAndTheirEffects')}>
        <thead>
          <tr>
            <th>{t('watch:WatchChanges.day')}</th>
            <th>{t('watch:WatchChanges.target')}</th>
            <th>{t('watch:WatchChanges.effect')}</th>
            <th>{t('watch:WatchChanges.clicksAMonth95')}</th>
            <th className="figure" title={t('watch:WatchChanges.currencyAMonthByTheWorth', { currency })}>
              {t('watch:WatchChanges.worth', { currency })}
            </th>
            <th className="figure" title={t('watch:WatchChanges.howOftenDriftAloneDoesAs')}>
              p
            </th>
            <th className="figure" title={t('watch:WatchChanges.clicksAMonthWhenTheWork')}>
              {t('watch:WatchChanges.foretold')}
            </th>
          </tr>
        </thead>
        <tbody>
          {changes.map((change) => (
            <Fragment key={change.id}>
              <ChangeRow
                change={change}
                most={most}
                isOpen={open === change.id}
                onOpen={() => setOpen(open === change.id ? null : change.id)}
              />
              {open === change.id && (
                <tr>
                  <td colSpan={7}>
                    <EffectDetail change={change} changes={changes} />
                  </td>
                </tr>
              )}
            </Fragment>
          ))}
        </tbody>
      </table>
      {kinds.length > 0 && (
        <p className="soft">
          {t('watch:WatchChanges.whatWorkedHereSoFarKinds', {
            kinds: kinds
              .map(({ kind, told, gained, clicks, foretold }) =>
                t('watch:WatchChanges.kindGainedOfToldSurelyA', {
                  kind: wordOf(kind),
                  gained,
                  told,
                  clicks: counted(Math.round(clicks), 'click'),
                  which:
                    foretold === null
                      ? ''
                      : t('watch:WatchChanges.foretoldForetold', { foretold: count(Math.round(foretold)) }),
                }),
              )
              .join('; '),
          })}
        </p>
      )}
    </>
  );
}

interface ChangeRowProps {
  change: ChangeEffect;
  most: number;
  isOpen: boolean;
  onOpen: () => void;
}

function ChangeRow({ change, most, isOpen, onOpen }: ChangeRowProps) {
  const { effect, date, kind, address, keywords, foretold, note } = change;
  return (
    <tr>
      <td className="no-break">
        {spelledDay(date)}
        <span className="soft under">{wordOf(kind)}</span>
      </td>
      <td>
        <button className="plain" aria-expanded={isOpen} onClick={onOpen}>
          <b>{keywords[0]?.text ?? address}</b>
        </button>
        <span className="soft under draft-address">
          {note === '' ? address : `${note}: ${address}`}
          {keywords.length > 1 && t('watch:WatchChanges.keywordsKeywords', { keywords: keywords.length })}
        </span>
      </td>
      <td>
        {effectWord(change)}
        <span className="soft under">{readyWords(change)}</span>
      </td>
      <td>
        {effect.state === 'told' && (
          <>
            <IntervalMark {...effect.clicks} most={most} words={t('watch:WatchChanges.clicksAMonth')} />
            <span className="soft under">{clicksWords(effect.clicks)}</span>
          </>
        )}
      </td>
      <td className="figure">{effect.state === 'told' ? worth(effect.worth.middle) : ''}</td>
      <td className="figure">
        {effect.state === 'told' ? (effect.p < 0.001 ? '< 0.001' : decimal(effect.p, 3)) : ''}
      </td>
      <td className="figure">{foretold === null ? '' : count(Math.round(foretold))}</td>
    </tr>
  );
}
