import type { KnownMarket } from '@opsimath/contract/api/markets';
import { Popover } from 'antd';
import { Suspense, lazy, useState } from 'react';
import { t } from '../words/t';

// Fields come when they are seen.
const PlaceForm = lazy(async () => ({ default: (await import('./PlaceForm')).PlaceForm }));

interface PlaceChoiceProps {
  /** The market in scope. */
  market: KnownMarket | undefined;
  onChoose: (market: string) => void;
}

/** Narrows the market in scope to a place, or goes back to the whole of it. */
export function PlaceChoice({ market, onChoose }: PlaceChoiceProps) {
  const [open, setOpen] = useState(false);
  const [shown, setShown] = useState(false);
  if (market === undefined) return null;
  const { within } = market;
  if (within !== null)
    return (
      <button className="plain written" onClick={() => onChoose(within)}>
        {t('shell:PlaceChoice.wholeMarket')}
      </button>
    );
  return (
    <Popover
      trigger="click"
      open={open}
      onOpenChange={setOpen}
      afterOpenChange={setShown}
      placement="bottomLeft"
      arrow={false}
      destroyOnHidden
      content={
        <Suspense fallback={null}>
          <PlaceForm
            market={market.code}
            shown={shown}
            onDone={(code) => {
              setOpen(false);
              onChoose(code);
            }}
          />
        </Suspense>
      }
    >
      <button className="plain written" title={t('shell:PlaceChoice.aPlaceWithinTheMarketWith')}>
        {t('shell:PlaceChoice.anywhere')}
      </button>
    </Popover>
  );
}
