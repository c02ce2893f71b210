import type { SiftRow } from '@opsimath/contract/api/sift';
import { Button, Input, Select } from 'antd';
import { count, decimal } from '../../parts/words/figures';
import { PurposeChoice } from './PurposeChoice';
import { VERDICT_KEYS } from '../../parts/act/verdictKeys';

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
      {row.translation && <p className="soft">“{row.translation}”, as a machine has it</p>}
      {row.banned.map((word) => (
        <p key={word.spelled ?? word.text} className="step-problem">
          Holds {word.spelled !== null && `“${word.spelled}”, another spelling of `}“{word.text}”,{' '}
          {word.level}: {word.reason} Who judges it fit or adjacent lets the word in; that is kept with name
          and day.
        </p>
      ))}
      <dl className="desk-facts">
        <Fact name="Volume" value={row.volume === null ? 'unknown' : `${count(row.volume)} a month`} />
        <Fact name="Trend" value={row.trend ?? 'unknown'} />
        <Fact name="Words" value={String(row.words)} />
        <Fact name="Targets that rank" value={`${ranking} of ${targets.length}`} />
        <Fact
          name="CPC"
          value={row.cpcLow === null ? 'unknown' : `${decimal(row.cpcLow, 2)}–${decimal(row.cpcHigh, 2)}`}
        />
        <Fact name="Purpose" value={<PurposeChoice row={row} />} />
        <Fact name="Difficulty" value={row.difficulty === null ? 'unknown' : `${row.difficulty} of 100`} />
      </dl>
      <p className="soft">Would somebody who typed this want what we offer?</p>
      <div className="desk-keys">
        {SHOWN.map((pressed) => (
          <Button
            key={pressed}
            type={pressed === 'f' ? 'primary' : 'default'}
            onClick={() => onDecide(pressed)}
          >
            {VERDICT_KEYS[pressed]!.word === 'parked' ? 'park' : VERDICT_KEYS[pressed]!.word}{' '}
            <kbd>{pressed}</kbd>
          </Button>
        ))}
        <Button onClick={onSkip}>
          skip <kbd>n</kbd>
        </Button>
      </div>
      <p className="desk-words">
        <Select
          allowClear
          size="small"
          aria-label="Reason"
          placeholder="Reason, if it needs one (1–9)"
          style={{ width: 220 }}
          value={reason || undefined}
          options={reasons.map((value, n) => ({ value, label: n < 9 ? `${n + 1}  ${value}` : value }))}
          onChange={(chosen?: string) => onReason(chosen ?? '')}
        />
        <Input
          size="small"
          aria-label="Note on this keyword"
          placeholder="A note: why it waits, say"
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
