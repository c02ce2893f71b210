import type { ProjectOverview } from '@opsimath/contract/api/projects';
import type { KnownMarket } from '@opsimath/contract/api/markets';
import { Select, Tooltip } from 'antd';
import { memo } from 'react';
import { counted, spelledDay } from '../parts/words/figures';
import type { ServiceState } from '../state/projectApi';
import { NO_COMPARE, type Scope } from '../state/scope';
import { DayChoice } from './DayChoice';
import { PeriodChoice } from './PeriodChoice';
import { PlaceChoice } from './PlaceChoice';
import { marketName } from '../parts/words/marketName';
import { t } from '../words/t';

interface ScopeBarProps {
  projectName: string;
  market: string;
  date: string;
  compare: string;
  own: string;
  markets: readonly KnownMarket[];
  dates: ProjectOverview['dates'];
  services: ServiceState | undefined;
  onChange: (change: Partial<Scope>) => void;
}

/** What every figure below belongs to. */
export const ScopeBar = memo(function ScopeBar({
  projectName,
  market,
  date,
  compare,
  own,
  markets,
  dates,
  services,
  onChange,
}: ScopeBarProps) {
  return (
    <section className="scope no-print" aria-label={t('shell:ScopeBar.scope')}>
      <span className="term">
        {t('shell:ScopeBar.project')} <span className="serif">{projectName}</span>
      </span>
      <span className="term">
        {t('shell:ScopeBar.market')}
        <Select
          variant="borderless"
          size="small"
          aria-label={t('shell:ScopeBar.market')}
          popupMatchSelectWidth={false}
          value={market || undefined}
          options={inOrder(markets).map((entry) => ({ value: entry.code, label: marketName(entry) }))}
          onChange={(chosen) => onChange({ market: chosen, pool: null, open: null })}
        />
        <PlaceChoice
          market={markets.find(({ code }) => code === market)}
          onChoose={(chosen) => onChange({ market: chosen, pool: null, open: null })}
        />
      </span>
      <span className="term">
        {t('shell:ScopeBar.date')}
        <DayChoice
          name={t('shell:ScopeBar.date')}
          value={date}
          dates={dates}
          today={services?.today}
          onChange={(chosen) => chosen && onChange({ date: chosen })}
        />
      </span>
      <span className="term">
        {t('shell:ScopeBar.compareWith')}
        <DayChoice
          name={t('shell:ScopeBar.compareWith')}
          value={compare === NO_COMPARE ? '' : compare}
          dates={dates.filter((entry) => entry.date < date)}
          empty={t('shell:ScopeBar.nothing')}
          onChange={(chosen) => onChange({ compare: chosen || NO_COMPARE })}
        />
      </span>
      <span className="term">
        {t('shell:ScopeBar.ownData')}
        <PeriodChoice value={own} onChange={(chosen) => onChange({ own: chosen })} />
      </span>
      <span className="services">
        {services &&
          (services.reachable && services.allowance ? (
            <Tooltip
              title={t('shell:ScopeBar.renewedOnRenewsUnitsPayFor', {
                renews: spelledDay(services.allowance.renews),
              })}
            >
              <span>
                {t('shell:ScopeBar.unitsLeft', {
                  units: counted(services.allowance.allowance - services.allowance.spent, 'unit'),
                })}
              </span>
            </Tooltip>
          ) : (
            <Tooltip title={services.message}>
              <span role="status">{t('shell:ScopeBar.servicesAwayOnlyWhatIsHeld')}</span>
            </Tooltip>
          ))}
      </span>
    </section>
  );
});

/** Places stand under the market that they are in. */
function inOrder(markets: readonly KnownMarket[]): KnownMarket[] {
  return markets
    .filter(({ within }) => within === null)
    .flatMap((whole) => [whole, ...markets.filter(({ within }) => within === whole.code)]);
}
