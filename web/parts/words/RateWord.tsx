import type { Rate } from '@opsimath/contract/api/ownQueries';
import { percent } from './figures';

/** A rate with its interval in the tip, and the mark *thin* where few cases stand behind it. */
export function RateWord({ of }: { of: Rate }) {
  if (of.rate === null) return <span className="faint">unknown</span>;
  return (
    <span title={`95 % interval ${percent(of.low)}–${percent(of.high)}`}>
      {percent(of.rate)}
      {of.thin && <span className="faint"> thin</span>}
    </span>
  );
}
