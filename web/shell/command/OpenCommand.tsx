import { Suspense, lazy, useCallback, useEffect, useRef } from 'react';
import { t } from '../../words/t';

// The box comes when it is first opened; what is typed until then is kept for it.
const CommandBox = lazy(async () => ({ default: (await import('./CommandBox')).CommandBox }));

interface OpenCommandProps {
  onClose: () => void;
  onKeys: () => void;
}

/** The command box, or while it is on its way a field that takes the first keys. */
export function OpenCommand({ onClose, onKeys }: OpenCommandProps) {
  const typedRef = useRef('');
  const begun = useCallback(() => typedRef.current, []);
  const keep = (typed: string): void => {
    typedRef.current = typed;
  };
  return (
    <Suspense fallback={<FirstKeys onTyped={keep} onClose={onClose} />}>
      <CommandBox begun={begun} onClose={onClose} onKeys={onKeys} />
    </Suspense>
  );
}

function FirstKeys({ onTyped, onClose }: { onTyped: (typed: string) => void; onClose: () => void }) {
  const field = useRef<HTMLInputElement>(null);
  useEffect(() => field.current?.focus(), []);
  return (
    <input
      ref={field}
      className="first-keys"
      aria-label={t('shell:CommandBox.goTo')}
      onChange={({ target }) => onTyped(target.value)}
      onKeyDown={({ key }) => key === 'Escape' && onClose()}
    />
  );
}
