import type { GapPage } from '@opsimath/contract/api/gaps';
import type { GapKind } from '@opsimath/core/gap/kind';
import { count } from '../../parts/words/figures';
import { Tip } from '../../parts/words/Tip';
import { t } from '../../words/t';

const SHOWN: { kind: GapKind; name: string; tip: string }[] = [
  {
    kind: 'absent',
    name: t('gaps:KindStrip.absent'),
    tip: t('gaps:KindStrip.aRivalIsOnTheFront'),
  },
  { kind: 'buried', name: t('gaps:KindStrip.buried'), tip: t('gaps:KindStrip.aRivalIsOnTheFront2') },
  { kind: 'trailing', name: t('gaps:KindStrip.trailing'), tip: t('gaps:KindStrip.bothAreOnTheFrontA') },
  { kind: 'open', name: t('gaps:KindStrip.open'), tip: t('gaps:KindStrip.neitherWeNorAnyRivalIs') },
  { kind: 'leading', name: t('gaps:KindStrip.leading'), tip: t('gaps:KindStrip.weAreOnTheFrontAbove') },
  { kind: 'alone', name: t('gaps:KindStrip.alone'), tip: t('gaps:KindStrip.weAreOnTheFrontNo') },
  {
    kind: 'unknown',
    name: t('gaps:KindStrip.unknown'),
    tip: t('gaps:KindStrip.weOrAllRivalsWereNever'),
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
    <div className="kinds" role="group" aria-label={t('gaps:KindStrip.gapKinds')}>
      {SHOWN.map(({ kind, name, tip }) => {
        const on = chosen.includes(kind);
        return (
          <Tip key={kind} text={tip} section="5">
            <button
              className="plain kind"
              aria-pressed={on}
              onClick={() => onChoose(on ? chosen.filter((other) => other !== kind) : [...chosen, kind])}
            >
              <span className="serif">{totals ? count(totals.kinds[kind]) : '…'}</span>
              <span className="soft">{name}</span>
            </button>
          </Tip>
        );
      })}
    </div>
  );
}
