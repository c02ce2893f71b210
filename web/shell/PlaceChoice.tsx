import { type KnownMarket, type PlaceWithin } from '@opsimath/contract/api/markets';
import { PLACE_KINDS, type PlaceKind } from '@opsimath/contract/api/placeKinds';
import { Button, Input, InputNumber, type InputRef, Popover, Segmented } from 'antd';
import { useRef, useState } from 'react';
import { Problem } from '../parts/words/Problem';
import { projectApi, useNarrowMarketMutation } from '../state/projectApi';
import { useAppDispatch } from '../state/store';
import { t, wordOf } from '../words/t';

interface PlaceChoiceProps {
  /** The market in scope. */
  market: KnownMarket | undefined;
  onChoose: (market: string) => void;
}

/** Narrows the market in scope to a place, or goes back to the whole of it. */
export function PlaceChoice({ market, onChoose }: PlaceChoiceProps) {
  const [open, setOpen] = useState(false);
  const field = useRef<InputRef>(null);
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
      // Not before it is seen: what is hidden cannot be typed into.
      afterOpenChange={(shown) => shown && field.current?.focus()}
      placement="bottomLeft"
      arrow={false}
      destroyOnHidden
      content={
        <PlaceForm
          market={market.code}
          field={field}
          onDone={(code) => {
            setOpen(false);
            onChoose(code);
          }}
        />
      }
    >
      <button className="plain written" title={t('shell:PlaceChoice.aPlaceWithinTheMarketWith')}>
        {t('shell:PlaceChoice.anywhere')}
      </button>
    </Popover>
  );
}

const HINTS: Record<Exclude<PlaceKind, 'point'>, string> = {
  city: t('shell:PlaceChoice.nameOfACity'),
  region: t('shell:PlaceChoice.nameOfARegion'),
  postcode: t('shell:PlaceChoice.aPostcodeOrItsBeginning'),
};

interface PlaceFormProps {
  market: string;
  field: React.RefObject<InputRef | null>;
  onDone: (code: string) => void;
}

function PlaceForm({ market, field, onDone }: PlaceFormProps) {
  const [narrow, { error, isLoading }] = useNarrowMarketMutation();
  const dispatch = useAppDispatch();
  const [kind, setKind] = useState<PlaceKind>('city');
  const [value, setValue] = useState('');
  const [point, setPoint] = useState<(number | null)[]>([null, null, 25]);
  const [latitude, longitude, km] = point;
  const known = [latitude, longitude, km].every((figure) => typeof figure === 'number');
  const asked = (): PlaceWithin =>
    kind === 'point'
      ? { market, kind, latitude: latitude!, longitude: longitude!, km: km! }
      : { market, kind, value };
  const keep = async (): Promise<void> => {
    const made = await narrow(asked()).unwrap();
    // Known before it is in scope: a scope of a market that nobody knows goes back to the usual one.
    dispatch(
      projectApi.util.updateQueryData('markets', undefined, (markets) => {
        if (!markets.some(({ code }) => code === made.code)) markets.push(made);
      }),
    );
    onDone(made.code);
  };
  return (
    <form
      className="place-choice"
      aria-label={t('shell:PlaceChoice.narrowToAPlace')}
      onSubmit={(event) => {
        event.preventDefault();
        void keep().catch(() => undefined);
      }}
    >
      <Segmented
        size="small"
        aria-label={t('shell:PlaceChoice.kindOfPlace')}
        value={kind}
        options={PLACE_KINDS.map((value) => ({ value, label: wordOf(value) }))}
        onChange={setKind}
      />
      {kind === 'point' ? (
        <div className="place-point">
          {(['Latitude', 'Longitude', 'Kilometres'] as const).map((name, n) => (
            <InputNumber<number>
              key={name}
              size="small"
              aria-label={wordOf(name)}
              placeholder={wordOf(name).toLowerCase()}
              controls={false}
              value={point[n] ?? null}
              onChange={(figure) => setPoint(point.with(n, figure))}
            />
          ))}
        </div>
      ) : (
        <Input
          size="small"
          ref={field}
          aria-label={t('shell:PlaceChoice.place')}
          placeholder={HINTS[kind]}
          maxLength={80}
          value={value}
          onChange={(event) => setValue(event.target.value)}
        />
      )}
      <Button
        size="small"
        type="primary"
        htmlType="submit"
        loading={isLoading}
        disabled={kind === 'point' ? !known : value.trim() === ''}
      >
        {t('shell:PlaceChoice.narrowToIt')}
      </Button>
      <p className="soft">{t('shell:PlaceChoice.itBecomesAMarketOfIts')}</p>
      {error && <Problem error={error} />}
    </form>
  );
}
