import type { Target } from '@opsimath/contract/api/targets';
import { Button, Segmented } from 'antd';
import { useEffect } from 'react';
import { useTargetsQuery } from '../../state/rosterApi';
import { useScope } from '../../state/useScope';
import { useShown } from '../../state/useShown';
import { TargetChanges } from './TargetChanges';
import { TargetCoverageView } from './TargetCoverageView';
import { TargetKeywordList } from './TargetKeywordList';
import { TargetMarketsView } from './TargetMarketsView';
import { TargetNotes } from './TargetNotes';
import { TargetProfileView } from './TargetProfileView';
import { t, wordOf } from '../../words/t';

const PARTS = [
  { value: 'profile', label: t('roster:TargetPanel.profile') },
  { value: 'keywords', label: t('roster:TargetPanel.keywords') },
  { value: 'coverage', label: t('roster:TargetPanel.coverage') },
  { value: 'markets', label: t('roster:TargetPanel.markets') },
  { value: 'record', label: t('roster:TargetPanel.record') },
  { value: 'notes', label: t('roster:TargetPanel.ourNotes') },
] as const;
type Part = (typeof PARTS)[number]['value'];
const PART_NAMES = PARTS.map(({ value }) => value);

/** All that is known of one target. */
export function TargetPanel({ target: id, onClose }: { target: number; onClose: () => void }) {
  const { project, scope } = useScope();
  const { data: targets } = useTargetsQuery(project);
  const [part, setPart] = useShown<Part>('targetPart', 'profile', PART_NAMES);
  useEffect(() => {
    const close = (event: KeyboardEvent): void => {
      if (event.key === 'Escape' && !(event.target instanceof HTMLTextAreaElement)) onClose();
    };
    addEventListener('keydown', close);
    return () => removeEventListener('keydown', close);
  }, [onClose]);
  const target = targets?.find((entry) => entry.id === id);
  if (!target) return null;
  const elsewhere = !scope.market.startsWith(`${target.surface}-`);
  return (
    <aside className="target-panel" aria-label={t('roster:TargetPanel.target')}>
      <div className="dossier-bar">
        <span className="faint">
          {target.side === 'own' ? t('roster:TargetPanel.ours') : t('roster:TargetPanel.aRival')}
          {', '}
          {wordOf(target.kind)}
        </span>
        <Button size="small" onClick={onClose}>
          {t('roster:TargetPanel.close')}
        </Button>
      </div>
      <h1>{target.name}</h1>
      <p className="soft">
        <a href={`https://${target.address.replace(/\/\*$/, '')}`} target="_blank" rel="noreferrer noopener">
          {target.address}
        </a>
      </p>
      <Segmented block size="small" value={part} options={[...PARTS]} onChange={setPart} />
      {elsewhere && (part === 'profile' || part === 'keywords' || part === 'coverage') ? (
        <MarketHint target={target} />
      ) : (
        <>
          {part === 'profile' && <TargetProfileView target={target} />}
          {part === 'keywords' && <TargetKeywordList target={target} />}
          {part === 'coverage' && <TargetCoverageView key={target.id} target={target} />}
        </>
      )}
      {part === 'markets' && <TargetMarketsView target={target} />}
      {part === 'record' && <TargetChanges target={target} />}
      {part === 'notes' && <TargetNotes target={target} />}
    </aside>
  );
}

function MarketHint({ target }: { target: Target }) {
  const { change } = useScope();
  return (
    <p className="soft" style={{ marginTop: 12 }}>
      {t('roster:TargetPanel.thisIsASurfaceTargetThe', { surface: wordOf(target.surface) })}{' '}
      <Button size="small" onClick={() => change({ market: target.market })}>
        {t('roster:TargetPanel.goToItsMarket')}
      </Button>
    </p>
  );
}
