import type { SiftRow } from '@opsimath/contract/api/sift';
import { Button, Input, Select } from 'antd';
import { count, decimal } from '../../parts/words/figures';
import { PurposeChoice } from './PurposeChoice';
import { VERDICT_KEYS } from '../../parts/act/verdictKeys';
import { Told } from '../../words/Told';
import { t, wordOf } from '../../words/t';

const SHOWN = ['f', 'a', 'o', 'w'];

interface DeskKeywordProps {
  row: SiftRow;
  targets: readonly string[];
  reasons: readonly string[];
  reason: string;
  onReason: (reason: string) => void;
  /** Kept with the keyword when it is decided, or parked. */
  note: string;
  onNote: (note: string) => void;
  onDecide: (key: string) => void;
  onSkip: () => void;
}

/** The keyword to be judged, large, with what is known of it and the keys that decide. */
export function DeskKeyword(props: DeskKeywordProps) {
  const { row, targets, reasons, reason, onReason, note, onNote, onDecide, onSkip } = props;
  const ranking = row.organic.filter((position) => position !== null).length;
  return (
    <div className="desk-keyword sheet">
      <h2>{row.text}</h2>
      {row.translation && (
        <p className="soft">
          {t('sift:DeskKeyword.translationAsAMachineHasIt', { translation: row.translation })}
        </p>
      )}
      {row.banned.map((word) => (
        <p key={word.spelled ?? word.text} className="step-problem">
          {t('sift:DeskKeyword.holds')}{' '}
          {word.spelled !== null &&
            `${t('sift:DeskKeyword.spelledAnotherSpellingOf', { spelled: word.spelled })} `}
          {t('sift:DeskKeyword.textLevelReasonWhoJudgesIt', {
            text: word.text,
            level: wordOf(word.level),
            reason: word.reason,
          })}
        </p>
      ))}
      <dl className="desk-facts">
        <Fact
          name={t('sift:DeskKeyword.volume')}
          value={
            row.volume === null
              ? 'unknown'
              : t('sift:DeskKeyword.volumeAMonth', { volume: count(row.volume) })
          }
        />
        <Fact name={t('sift:DeskKeyword.trend')} value={row.trend ?? 'unknown'} />
        <Fact name={t('sift:DeskKeyword.words')} value={String(row.words)} />
        <Fact
          name={t('sift:DeskKeyword.targetsThatRank')}
          value={t('sift:DeskKeyword.rankingOfTargets', { ranking, targets: targets.length })}
        />
        <Fact
          name="CPC"
          value={row.cpcLow === null ? 'unknown' : `${decimal(row.cpcLow, 2)}–${decimal(row.cpcHigh, 2)}`}
        />
        <Fact name={t('sift:DeskKeyword.purpose')} value={<PurposeChoice row={row} />} />
        <Fact
          name={t('sift:DeskKeyword.difficulty')}
          value={
            row.difficulty === null
              ? 'unknown'
              : t('sift:DeskKeyword.difficultyOf100', { difficulty: row.difficulty })
          }
        />
      </dl>
      <p className="soft">{t('sift:DeskKeyword.wouldSomebodyWhoTypedThisWant')}</p>
      <div className="desk-keys">
        {SHOWN.map((pressed) => (
          <Button
            key={pressed}
            type={pressed === 'f' ? 'primary' : 'default'}
            onClick={() => onDecide(pressed)}
          >
            {VERDICT_KEYS[pressed]!.word === 'parked'
              ? t('sift:DeskKeyword.park')
              : VERDICT_KEYS[pressed]!.word}{' '}
            <kbd>{pressed}</kbd>
          </Button>
        ))}
        <Button onClick={onSkip}>
          <Told id="sift:DeskKeyword.skipN" parts={{ kbd: <kbd /> }} />
        </Button>
      </div>
      <p className="desk-words">
        <Select
          allowClear
          size="small"
          aria-label={t('sift:DeskKeyword.reason')}
          placeholder={t('sift:DeskKeyword.reasonIfItNeedsOne1')}
          style={{ width: 220 }}
          value={reason || undefined}
          options={reasons.map((value, n) => ({ value, label: n < 9 ? `${n + 1}  ${value}` : value }))}
          onChange={(chosen?: string) => onReason(chosen ?? '')}
        />
        <Input
          size="small"
          aria-label={t('sift:DeskKeyword.noteOnThisKeyword')}
          placeholder={t('sift:DeskKeyword.aNoteWhyItWaitsSay')}
          maxLength={5000}
          style={{ width: 220 }}
          value={note}
          onChange={(event) => onNote(event.target.value)}
          onPressEnter={(event) => event.currentTarget.blur()}
        />
      </p>
    </div>
  );
}

function Fact({ name, value }: { name: string; value: React.ReactNode }) {
  return (
    <div>
      <dt className="faint">{name}</dt>
      <dd>{value}</dd>
    </div>
  );
}
