import type { ShownPage } from '@opsimath/contract/api/dossier';
import { Select } from 'antd';
import { useState } from 'react';
import { useResultPageQuery } from '../../state/gapsApi';
import { spelledDay } from '../words/figures';
import { changesOfPage } from './changesOfPage';
import { t } from '../../words/t';

interface PageDifferenceProps {
  project: number;
  keyword: number;
  market: string;
  page: ShownPage;
  dates: readonly string[];
  /** The compare-with date of the scope. */
  compare: string | undefined;
}

/** What differs between two captured result pages: who came, went, moved, and whose title is another. */
export function PageDifference({ project, keyword, market, page, dates, compare }: PageDifferenceProps) {
  const earlier = dates.filter((date) => date < page.date);
  const usual = [...earlier].reverse().find((date) => compare === undefined || date <= compare) ?? earlier[0];
  const [date, setDate] = useState<string | undefined>();
  const chosen = date ?? usual;
  const { data: before } = useResultPageQuery(
    { project, keyword, market, date: chosen ?? '' },
    { skip: chosen === undefined },
  );
  if (chosen === undefined) return null;
  const changes = before ? changesOfPage(before, page) : null;
  return (
    <section className="section">
      <h2>
        {t('parts:PageDifference.changedSince')}{' '}
        <Select
          size="small"
          variant="borderless"
          className="written"
          aria-label={t('parts:PageDifference.captureComparedWith')}
          popupMatchSelectWidth={false}
          value={chosen}
          onChange={setDate}
          options={[...earlier].reverse().map((day) => ({ value: day, label: spelledDay(day) }))}
        />
      </h2>
      {changes?.length === 0 && <p className="soft">{t('parts:PageDifference.theFirstTenStandAsThey')}</p>}
      <ul className="told">
        {changes?.map(({ address, owner, what }) => (
          <li key={`${address} ${what}`}>
            <b>{owner ?? address}</b> <span className="soft">{what}</span>
            <div className="faint">{address}</div>
          </li>
        ))}
      </ul>
    </section>
  );
}
