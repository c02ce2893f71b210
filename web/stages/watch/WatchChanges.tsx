import type { ChangeEffect, EffectsView } from '@opsimath/contract/api/watch';
import { Fragment, useState } from 'react';
import { Link } from 'react-router';
import { useScope } from '../../state/useScope';
import { Empty } from '../../parts/words/Empty';
import { count, counted, decimal, spelledDay, worth } from '../../parts/words/figures';
import { EffectDetail } from './EffectDetail';
import { IntervalMark } from './IntervalMark';
import { clicksWords, effectWord, readyWords } from './watchWords';

/** Every change with what it did: interval, clicks, worth, whether it lasts, and how that compares with what was foretold. */
export function WatchChanges({ effects: { changes, kinds, currency } }: { effects: EffectsView }) {
  const [open, setOpen] = useState<number | null>(null);
  const { project, scope } = useScope();
  if (changes.length === 0)
    return (
      <Empty title="Nothing has been changed yet">
        Publish a draft, or note in Drafts what was done without one. From then on its keywords are held
        against others like them.{' '}
        <Link className="written" to={`/p/${project}/drafts?market=${scope.market}&date=${scope.date}`}>
          Open the drafts
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
      <table className="ledger" aria-label="Changes and their effects">
        <thead>
          <tr>
            <th>Day</th>
            <th>Target</th>
            <th>Effect</th>
            <th>Clicks a month, 95 %</th>
            <th className="figure" title={`${currency} a month, by the worth of its keywords’ clicks`}>
              Worth
            </th>
            <th className="figure" title="How often drift alone does as much">
              p
            </th>
            <th className="figure" title="Clicks a month when the work was picked">
              Foretold
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
          What worked here so far:{' '}
          {kinds
            .map(
              ({ kind, told, gained, clicks, foretold }) =>
                `${kind}, ${gained} of ${told} surely a gain, ${counted(Math.round(clicks), 'click')} a month${
                  foretold === null ? '' : `, foretold ${count(Math.round(foretold))}`
                }`,
            )
            .join('; ')}
          . Mixed ones are left out.
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
        <span className="soft under">{kind}</span>
      </td>
      <td>
        <button className="plain" aria-expanded={isOpen} onClick={onOpen}>
          <b>{keywords[0]?.text ?? address}</b>
        </button>
        <span className="soft under draft-address">
          {note === '' ? address : `${note}: ${address}`}
          {keywords.length > 1 && `, ${keywords.length} keywords`}
        </span>
      </td>
      <td>
        {effectWord(change)}
        <span className="soft under">{readyWords(change)}</span>
      </td>
      <td>
        {effect.state === 'told' && (
          <>
            <IntervalMark {...effect.clicks} most={most} words="clicks a month" />
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
