import { Select } from 'antd';
import { useState } from 'react';
import { AuditForm } from '../parts/audit/AuditForm';
import { marketName } from '../parts/words/marketName';
import { useMarketsQuery, useServicesQuery } from '../state/projectApi';

/** An audit from the first page: no project is needed for it. */
export function AuditAtOnce() {
  const { data: markets } = useMarketsQuery();
  const { data: services } = useServicesQuery();
  const [chosen, choose] = useState<string | null>(null);
  const market = chosen ?? markets?.[0]?.code;
  if (!markets || market === undefined || !services?.today) return null;
  return (
    <section className="section" style={{ marginTop: 20 }}>
      <h2>Audit a stranger’s address</h2>
      <p className="soft">
        What it ranks for, what is within its reach, three things to do first. Nothing has to be set up.{' '}
        <Select
          size="small"
          aria-label="Market of the audit"
          value={market}
          popupMatchSelectWidth={false}
          options={markets
            .filter(({ within }) => within === null)
            .map((one) => ({ value: one.code, label: marketName(one) }))}
          onChange={choose}
        />
      </p>
      <AuditForm market={market} date={services.today} />
    </section>
  );
}
