import { Button, Input } from 'antd';
import { useState } from 'react';
import { useNavigate } from 'react-router';
import { Problem } from '../words/Problem';
import { count, counted } from '../words/figures';
import { useAuditsQuery, useBeginAuditMutation, usePriceAuditMutation } from '../../state/reportsApi';
import './audit.css';
import { Told } from '../../words/Told';
import { t } from '../../words/t';

/** An address in, its price, an audit out: nothing has to be set up before. */
export function AuditForm({ market, date }: { market: string; date: string }) {
  const [address, setAddress] = useState('');
  const [ask, { data: price, error: priceError, isLoading, reset }] = usePriceAuditMutation();
  const [begin, { error, isLoading: beginning }] = useBeginAuditMutation();
  const { data: audits } = useAuditsQuery();
  const navigate = useNavigate();
  const open = async (audit: {
    project: number;
    report: number;
    market: string;
    date: string;
  }): Promise<void> => {
    const at = new URLSearchParams({ market: audit.market, date: audit.date, report: String(audit.report) });
    await navigate(`/p/${audit.project}/report?${at.toString()}`);
  };
  const start = async (): Promise<void> => open(await begin({ address, market, date }).unwrap());
  return (
    <>
      <form
        className="audit-form"
        onSubmit={(event) => {
          event.preventDefault();
          if (price) void start().catch(() => undefined);
          else void ask({ address, market, date });
        }}
      >
        <Input
          aria-label={t('parts:AuditForm.addressToAudit')}
          placeholder={t('parts:AuditForm.addressForExampleSaltfenExample')}
          value={address}
          maxLength={2000}
          onChange={(event) => {
            setAddress(event.target.value);
            reset();
          }}
        />
        <Button
          htmlType="submit"
          type={price ? 'primary' : 'default'}
          disabled={address.trim() === '' || isLoading || beginning}
        >
          {price ? t('parts:AuditForm.beginTheAudit') : t('parts:AuditForm.whatItCosts')}
        </Button>
      </form>
      {price && (
        <p>
          <Told
            id="parts:AuditForm.nameAKindAtMostUnits"
            values={{
              name: price.name,
              kind: price.kind,
              units: counted(price.units, 'unit'),
              left: count(price.left),
            }}
            parts={{ b: <b /> }}
          />
        </p>
      )}
      {(priceError ?? error) && <Problem error={priceError ?? error} />}
      {audits && audits.length > 0 && (
        <p className="soft">
          {t('parts:AuditForm.auditsMade')}{' '}
          {audits.slice(0, 8).map((audit, n) => (
            <span key={audit.project}>
              {n > 0 && ', '}
              <button className="plain written" onClick={() => void open(audit)}>
                {audit.address}
              </button>
            </span>
          ))}
        </p>
      )}
    </>
  );
}
