import { Select } from 'antd';
import { useState } from 'react';
import { AuditForm } from '../parts/audit/AuditForm';
import { marketName } from '../parts/words/marketName';
import { useMarketsQuery, useServicesQuery } from '../state/projectApi';
import { t } from '../words/t';

/** An audit from the first page: no project is needed for it. */
export function AuditAtOnce() {
  const { data: markets } = useMarketsQuery();
  const { data: services } = useServicesQuery();
  const [chosen, choose] = useState<string | null>(null);
  const market = chosen ?? markets?.[0]?.code;
  if (!markets || market === undefined || !services?.today) return null;
  return (
    <section className="section" style={{ marginTop: 20 }}>
      <h2>{t('shell:AuditAtOnce.auditAStrangerSAddress')}</h2>
      <p className="soft">
        {t('shell:AuditAtOnce.whatItRanksForWhatIs')}{' '}
        <Select
          size="small"
          aria-label={t('shell:AuditAtOnce.marketOfTheAudit')}
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
