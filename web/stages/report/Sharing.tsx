import { Button, InputNumber } from 'antd';
import { useState } from 'react';
import { Problem } from '../../parts/words/Problem';
import { useAddShareMutation, useRevokeShareMutation, useSharesQuery } from '../../state/frozenApi';
import { useScope } from '../../state/useScope';
import { Told } from '../../words/Told';
import { t } from '../../words/t';

const USUAL_DAYS = 30;

/** Addresses under which a frozen report can be read, each until a day, each closed at one press. */
export function Sharing({ id }: { id: number }) {
  const { project } = useScope();
  const { data: shares, error } = useSharesQuery({ project, id });
  const [add, adding] = useAddShareMutation();
  const [revoke] = useRevokeShareMutation();
  const [days, setDays] = useState(USUAL_DAYS);
  const [copied, setCopied] = useState<number | null>(null);
  const copy = async (share: number, address: string): Promise<void> => {
    await navigator.clipboard.writeText(address);
    setCopied(share);
  };
  return (
    <section className="sharing" aria-label={t('report:Sharing.share')}>
      {(error ?? adding.error) && <Problem error={error ?? adding.error} />}
      <p>
        <Told
          id="report:Sharing.whoeverKnowsTheAddressMayRead"
          parts={{
            inputNumber: (
              <InputNumber
                size="small"
                aria-label={t('report:Sharing.days')}
                min={1}
                max={365}
                value={days}
                onChange={(next) => setDays(next ?? USUAL_DAYS)}
              />
            ),
          }}
        />{' '}
        <Button
          size="small"
          type="primary"
          disabled={adding.isLoading}
          onClick={() => void add({ project, id, days })}
        >
          {t('report:Sharing.makeAnAddress')}
        </Button>
      </p>
      <ul>
        {shares?.map((share) => {
          const address = share.path === null ? null : `${window.location.origin}${share.path}`;
          return (
            <li key={share.id}>
              {address === null ? (
                <span className="soft">{t('report:Sharing.closed')}</span>
              ) : (
                <>
                  <a href={share.path!} target="_blank" rel="noreferrer">
                    {address}
                  </a>{' '}
                  <button className="plain written" onClick={() => void copy(share.id, address)}>
                    {copied === share.id ? t('report:Sharing.copied') : t('report:Sharing.copy')}
                  </button>{' '}
                  <button
                    className="plain written"
                    onClick={() => void revoke({ project, id, share: share.id })}
                  >
                    {t('report:Sharing.closeIt')}
                  </button>
                </>
              )}{' '}
              <span className="soft">
                {t('report:Sharing.untilUntil', { until: share.until.slice(0, 10) })}
              </span>
            </li>
          );
        })}
      </ul>
    </section>
  );
}
