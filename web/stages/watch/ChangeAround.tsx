import type { ChangeEffect, Presence } from '@opsimath/contract/api/watch';
import { Button } from 'antd';
import { useState } from 'react';
import { Ledger } from '../../parts/table/Ledger';
import { RateWord } from '../../parts/words/RateWord';
import { count, counted, percent, spelledDay, worth } from '../../parts/words/figures';
import { useTrouble } from '../../parts/words/useTrouble';
import { useScope } from '../../state/useScope';
import { usePresenceMutation } from '../../state/watchApi';
import { costOfSales } from './watchWords';
import { t } from '../../words/t';

/** What stands beside an effect: both versions in own search performance, ads, and whether the new title is found at all. */
export function ChangeAround({ change }: { change: ChangeEffect }) {
  const { versions, ads, kind } = change;
  return (
    <>
      {versions && (
        <Ledger
          label={t('watch:ChangeAround.bothVersions')}
          rows={[
            { name: t('watch:ChangeAround.before'), ...versions.before },
            { name: t('watch:ChangeAround.since'), ...versions.after },
          ]}
          keyOf={({ name }) => name}
          columns={[
            {
              head: t('watch:ChangeAround.version'),
              tip: t('watch:ChangeAround.ownSearchPerformanceOfItsTarget'),
              cell: ({ name, from, to, held }) => (
                <>
                  {name}{' '}
                  <span className="soft">
                    {t('watch:ChangeAround.fromToToHeldDaysHeld', {
                      from: spelledDay(from),
                      to: spelledDay(to),
                      held,
                    })}
                  </span>
                </>
              ),
            },
            {
              head: t('watch:ChangeAround.impressions'),
              figure: true,
              cell: ({ impressions }) => count(impressions),
            },
            { head: t('watch:ChangeAround.clicks'), figure: true, cell: ({ clicks }) => count(clicks) },
            {
              head: t('watch:ChangeAround.cTR95'),
              figure: true,
              cell: ({ ctr }) => (
                <>
                  <RateWord of={ctr} />{' '}
                  <span className="soft">
                    {t('watch:ChangeAround.lowToHigh', { low: percent(ctr.low), high: percent(ctr.high) })}
                  </span>
                </>
              ),
            },
          ]}
        />
      )}
      {ads && (
        <p className="soft">
          {t('watch:ChangeAround.adsThatLeadThereCostCost', {
            cost: worth(ads.before.cost),
            sales: worth(ads.before.sales),
            costOfSales: percent(costOfSales(ads.before)),
            cost2: worth(ads.after.cost),
            sales2: worth(ads.after.sales),
            costOfSales2: percent(costOfSales(ads.after)),
          })}
        </p>
      )}
      {kind === 'edit' && <TitlePresence change={change.id} />}
    </>
  );
}

function TitlePresence({ change }: { change: number }) {
  const { project, scope } = useScope();
  const [look, { isLoading }] = usePresenceMutation();
  const [told, tell] = useState<Presence | null>(null);
  const trouble = useTrouble();
  return (
    <p className="soft">
      <Button
        size="small"
        disabled={isLoading}
        title={t('watch:ChangeAround.searchForItsExactTitle1')}
        onClick={() =>
          void look({ project, market: scope.market, change }).unwrap().then(tell).catch(trouble)
        }
      >
        {t('watch:ChangeAround.isItsTitleFound')}
      </Button>{' '}
      {told && (
        <span role="status">
          {t('watch:ChangeAround.whichBeingFoundByItsOwn', {
            which:
              told.found === 0
                ? t('watch:ChangeAround.notAmongTheResultsForTitle', {
                    results: counted(told.looked, 'result'),
                    title: told.title,
                  })
                : t('watch:ChangeAround.foundWhichAmongResultsWhich2', {
                    which:
                      told.found === 1
                        ? t('watch:ChangeAround.once')
                        : t('watch:ChangeAround.foundTimes', { found: told.found }),
                    results: counted(told.looked, 'result'),
                    which2:
                      told.own.length > 0
                        ? t('watch:ChangeAround.oursAtOwn', {
                            own: told.own
                              .map(({ position, address }) => `${position} (${address})`)
                              .join(', '),
                          })
                        : t('watch:ChangeAround.noneOfThemOurs'),
                  }),
          })}
        </span>
      )}
    </p>
  );
}
