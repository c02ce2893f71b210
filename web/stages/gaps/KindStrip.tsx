import type { GapPage } from '@opsimath/contract/api/gaps';
import type { GapKind } from '@opsimath/core/gap/kind';
import { count } from '../../parts/words/figures';

const SHOWN: { kind: GapKind; name: string; tip: string }[] = [
  {
    kind: 'absent',
    name: 'Absent',
    tip: 'A rival is on the front; we were looked for to the capture’s depth and not found.',
  },
  { kind: 'buried', name: 'Buried', tip: 'A rival is on the front; we rank below it.' },
  { kind: 'trailing', name: 'Trailing', tip: 'Both are on the front, a rival above us.' },
  { kind: 'open', name: 'Open', tip: 'Neither we nor any rival is on the front.' },
  { kind: 'leading', name: 'Leading', tip: 'We are on the front above every rival.' },
  { kind: 'alone', name: 'Alone', tip: 'We are on the front; no rival ranks at all.' },
  {
    kind: 'unknown',
    name: 'Unknown',
    tip: 'We or all rivals were never looked for. Unknown never counts as absent.',
  },
];

interface KindStripProps {
  totals: GapPage['totals'] | undefined;
  chosen: GapKind[];
  onChoose: (kinds: GapKind[]) => void;
}

/** Counts per gap kind; pressing one filters, pressing it again lets go. */
export function KindStrip({ totals, chosen, onChoose }: KindStripProps) {
  return (
    <div className="kinds" role="group" aria-label="Gap kinds">
      {SHOWN.map(({ kind, name, tip }) => {
        const on = chosen.includes(kind);
        return (
          <button
            key={kind}
            className="plain kind"
            aria-pressed={on}
            title={tip}
            onClick={() => onChoose(on ? chosen.filter((other) => other !== kind) : [...chosen, kind])}
          >
            <span className="serif">{totals ? count(totals.kinds[kind]) : '…'}</span>
            <span className="soft">{name}</span>
          </button>
        );
      })}
    </div>
  );
}
