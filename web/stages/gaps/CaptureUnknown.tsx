import type { GapPage } from '@opsimath/contract/api/gaps';
import type { GapQuery } from '@opsimath/contract/api/gapQuery';
import { Select } from 'antd';
import { useState } from 'react';
import { CaptureSheet } from '../../parts/act/CaptureSheet';
import { count, counted } from '../../parts/words/figures';
import { useGapPageQuery } from '../../state/gapsApi';
import { useScope } from '../../state/useScope';
import { t } from '../../words/t';

const MANY = [20, 50, 100, 200, 500];

/** What is unknown and could be settled here: the most searched of it, at a price that is said first. */
export function CaptureUnknown({ query, page }: { query: GapQuery; page: GapPage }) {
  const { project, scope } = useScope();
  const [most, setMost] = useState(200);
  const unknown = page.totals.kinds.unknown;
  const { data } = useGapPageQuery(
    { project, query: { ...query, kinds: ['unknown'], sort: '-volume', offset: 0, limit: most } },
    { skip: unknown === 0 },
  );
  if (unknown === 0 || !scope.kinds.includes('unknown')) return null;
  const few = Math.min(most, unknown);
  return (
    <section className="capture-unknown" aria-label={t('gaps:CaptureUnknown.captureWhatIsUnknown')}>
      <span className="soft">
        {t('gaps:CaptureUnknown.nobodyLookedAtUnknownYetThe', { unknown: count(unknown) })}
      </span>{' '}
      <Select
        size="small"
        aria-label={t('gaps:CaptureUnknown.howMany')}
        value={most}
        options={MANY.map((value) => ({ value, label: count(Math.min(value, unknown)) }))}
        popupMatchSelectWidth={false}
        onChange={setMost}
      />{' '}
      {data && (
        <CaptureSheet
          key={`${data.rows.length} ${data.rows[0]?.id}`}
          keywords={data.rows.map(({ text }) => text)}
          what={few === 1 ? t('gaps:CaptureUnknown.oneKeyword') : `${counted(few, 'keyword')}`}
        />
      )}
    </section>
  );
}
