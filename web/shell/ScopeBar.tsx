import type { ProjectOverview } from '@opsimath/contract/api/projects';
import type { SourceMarket } from '@opsimath/contract/source/answers';
import { Select, Tooltip } from 'antd';
import { count, spelledDay } from '../parts/words/figures';
import type { ServiceState } from '../state/api';
import { NO_COMPARE, type Scope } from '../state/scope';
import { DayChoice } from './DayChoice';

interface ScopeBarProps {
  projectName: string;
  scope: Scope;
  markets: readonly SourceMarket[];
  dates: ProjectOverview['dates'];
  services: ServiceState | undefined;
  onChange: (change: Partial<Scope>) => void;
}

/** What every figure below belongs to. */
export function ScopeBar({ projectName, scope, markets, dates, services, onChange }: ScopeBarProps) {
  return (
    <section className="scope no-print" aria-label="Scope">
      <span className="term">
        Project <span className="serif">{projectName}</span>
      </span>
      <span className="term">
        Market
        <Select
          variant="borderless"
          size="small"
          aria-label="Market"
          popupMatchSelectWidth={false}
          value={scope.market || undefined}
          options={markets.map((market) => ({ value: market.code, label: marketName(market) }))}
          onChange={(market) => onChange({ market, pool: null, open: null })}
        />
      </span>
      <span className="term">
        Date
        <DayChoice
          name="Date"
          value={scope.date}
          dates={dates}
          onChange={(date) => date && onChange({ date })}
        />
      </span>
      <span className="term">
        Compare with
        <DayChoice
          name="Compare with"
          value={scope.compare === NO_COMPARE ? '' : scope.compare}
          dates={dates.filter((entry) => entry.date < scope.date)}
          empty="nothing"
          onChange={(compare) => onChange({ compare: compare || NO_COMPARE })}
        />
      </span>
      <span className="services">
        {services &&
          (services.reachable && services.allowance ? (
            <Tooltip
              title={`Renewed on ${spelledDay(services.allowance.renews)}. Units pay for result pages, look-ups and metrics.`}
            >
              <span>{count(services.allowance.allowance - services.allowance.spent)} units left</span>
            </Tooltip>
          ) : (
            <Tooltip title={services.message}>
              <span role="status">Services away: only what is held can be shown</span>
            </Tooltip>
          ))}
      </span>
    </section>
  );
}

export function marketName(market: Pick<SourceMarket, 'surface' | 'placeName' | 'languageName'>): string {
  return `${market.surface[0]!.toUpperCase()}${market.surface.slice(1)} · ${market.placeName} · ${market.languageName}`;
}
