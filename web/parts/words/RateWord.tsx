import type { Rate } from '@opsimath/contract/api/ownQueries';
import { percent } from './figures';
import { t } from '../../words/t';

/** A rate with its interval in the tip, and the mark *thin* where few cases stand behind it. */
export function RateWord({ of }: { of: Rate }) {
  if (of.rate === null) return <span className="faint">{t('parts:RateWord.unknown')}</span>;
  return (
    <span title={t('parts:RateWord.n95IntervalLowHigh', { low: percent(of.low), high: percent(of.high) })}>
      {percent(of.rate)}
      {of.thin && <span className="faint"> {t('parts:RateWord.thin')}</span>}
    </span>
  );
}
