import type { LookUpOrder } from '@opsimath/contract/api/lookUps';
import type { Target } from '@opsimath/contract/api/targets';
import { Checkbox, Input } from 'antd';
import type { LookUpDraft } from './useLookUpDraft';
import type { Pasted } from './readPaste';
import { useScope } from '../../state/useScope';
import { t, wordOf } from '../../words/t';

const SHOWN_PROBLEMS = 5;
const WORDS = [
  { value: 'phrases of the target', label: t('lookup:TargetsPart.phrasesOfItsTitleAndHeadings') },
  { value: 'tags', label: t('lookup:TargetsPart.itsTags') },
  { value: 'channel keywords', label: t('lookup:TargetsPart.aChannelSOwnKeywords') },
] as const;

interface TargetsPartProps {
  targets: readonly Target[];
  draft: LookUpDraft;
  pasted: Pasted;
  orders: readonly LookUpOrder[];
  onChange: (change: Partial<LookUpDraft>) => void;
}

/** Targets of the roster as ticks, and a box for any others. */
export function TargetsPart({ targets, draft, pasted, orders, onChange }: TargetsPartProps) {
  const { scope } = useScope();
  const here = targets.filter((target) => scope.market.startsWith(`${target.surface}-`));
  const toggle = (id: number, chosen: boolean): void =>
    onChange({ left: chosen ? draft.left.filter((other) => other !== id) : [...draft.left, id] });
  const elsewhere = pasted.targets.filter(
    ({ address }) => !orders.some((order) => order.targets?.includes(address)),
  );
  return (
    <>
      <p className="faint targets-ask">
        {t('lookup:TargetsPart.whichKeywordsDoTheseRankFor')}
        {here.length > 1 && (
          <span>
            <button
              className="plain written"
              onClick={() =>
                onChange({ left: draft.left.filter((id) => !here.some((one) => one.id === id)) })
              }
            >
              {t('lookup:TargetsPart.all')}
            </button>{' '}
            <button
              className="plain written"
              onClick={() => onChange({ left: [...new Set([...draft.left, ...here.map(({ id }) => id)])] })}
            >
              {t('lookup:TargetsPart.none')}
            </button>
          </span>
        )}
      </p>
      {here.length > 0 && (
        <div className="lookup-targets">
          {here.map((target) => (
            <Checkbox
              key={target.id}
              checked={!draft.left.includes(target.id)}
              onChange={({ target: box }) => toggle(target.id, box.checked)}
            >
              {target.name}{' '}
              <span className="faint">
                {target.side === 'own'
                  ? t('lookup:TargetsPart.oursKind', { kind: wordOf(target.kind) })
                  : wordOf(target.kind)}
              </span>
            </Checkbox>
          ))}
        </div>
      )}
      <Input.TextArea
        aria-label={t('lookup:TargetsPart.moreTargetsOneALine')}
        placeholder={t('lookup:TargetsPart.morePagesSitesVideosChannels')}
        autoSize={{ minRows: 2, maxRows: 6 }}
        value={draft.pasted}
        onChange={(event) => onChange({ pasted: event.target.value })}
      />
      {pasted.targets.length > 0 && (
        <ul className="chips" aria-label={t('lookup:TargetsPart.recognisedTargets')}>
          {pasted.targets.map(({ address, kind }) => (
            <li key={address} title={address}>
              <b>{wordOf(kind)}</b> {address}
            </li>
          ))}
        </ul>
      )}
      {pasted.repeats > 0 && (
        <div className="faint">
          {t('lookup:TargetsPart.repeatsRepeatedCountedOnce', { repeats: pasted.repeats })}
        </div>
      )}
      {elsewhere.length > 0 && (
        <div className="soft" role="status">
          {t('lookup:TargetsPart.elsewhereOfAnotherSurfaceThanThe', { elsewhere: elsewhere.length })}
        </div>
      )}
      {pasted.problems.slice(0, SHOWN_PROBLEMS).map(({ line, text, reason }) => (
        <div key={line} className="soft" role="alert">
          {t('lookup:TargetsPart.lineLineTextReason', { line, text, reason })}
        </div>
      ))}
      {pasted.problems.length > SHOWN_PROBLEMS && (
        <div className="soft">
          {t('lookup:TargetsPart.andProblemsMoreLines', {
            problems: pasted.problems.length - SHOWN_PROBLEMS,
          })}
        </div>
      )}
      <div className="lookup-also">
        <span className="soft">{t('lookup:TargetsPart.takeAlso')}</span>
        {WORDS.map(({ value, label }) => (
          <Checkbox
            key={value}
            checked={draft.words.includes(value)}
            onChange={({ target: box }) =>
              onChange({
                words: box.checked ? [...draft.words, value] : draft.words.filter((other) => other !== value),
              })
            }
          >
            {label}
          </Checkbox>
        ))}
      </div>
    </>
  );
}
