import type { PlaceWithin } from '@opsimath/contract/api/markets';
import { PLACE_KINDS, type PlaceKind } from '@opsimath/contract/api/placeKinds';
import { Button, Input, InputNumber, type InputRef, Segmented } from 'antd';
import { useEffect, useRef, useState } from 'react';
import { Problem } from '../parts/words/Problem';
import { projectApi, useNarrowMarketMutation } from '../state/projectApi';
import { useAppDispatch } from '../state/store';
import { t, wordOf } from '../words/t';

const HINTS: Record<Exclude<PlaceKind, 'point'>, string> = {
  city: t('shell:PlaceForm.nameOfACity'),
  region: t('shell:PlaceForm.nameOfARegion'),
  postcode: t('shell:PlaceForm.aPostcodeOrItsBeginning'),
};

interface PlaceFormProps {
  market: string;
  /** Only what is seen can be typed into. */
  shown: boolean;
  onDone: (code: string) => void;
}

/** A place within a market: a city, a region, a postcode, or all within some way of a point. */
export function PlaceForm({ market, shown, onDone }: PlaceFormProps) {
  const field = useRef<InputRef>(null);
  useEffect(() => {
    if (shown) field.current?.focus();
  }, [shown]);
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
      aria-label={t('shell:PlaceForm.narrowToAPlace')}
      onSubmit={(event) => {
        event.preventDefault();
        void keep().catch(() => undefined);
      }}
    >
      <Segmented
        size="small"
        aria-label={t('shell:PlaceForm.kindOfPlace')}
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
          aria-label={t('shell:PlaceForm.place')}
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
        {t('shell:PlaceForm.narrowToIt')}
      </Button>
      <p className="soft">{t('shell:PlaceForm.itBecomesAMarketOfIts')}</p>
      {error && <Problem error={error} />}
    </form>
  );
}
