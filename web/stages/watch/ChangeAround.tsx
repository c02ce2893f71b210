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

/** What stands beside an effect: both versions in own search performance, ads, and whether the new title is found at all. */
export function ChangeAround({ change }: { change: ChangeEffect }) {
  const { versions, ads, kind } = change;
  return (
    <>
      {versions && (
        <Ledger
          label="Both versions"
          rows={[
            { name: 'Before', ...versions.before },
            { name: 'Since', ...versions.after },
          ]}
          keyOf={({ name }) => name}
          columns={[
            {
              head: 'Version',
              tip: 'Own search performance of its target; as many days each, none with another change of it',
              cell: ({ name, from, to, held }) => (
                <>
                  {name}{' '}
                  <span className="soft">{`${spelledDay(from)} to ${spelledDay(to)}, ${held} days held`}</span>
                </>
              ),
            },
            { head: 'Impressions', figure: true, cell: ({ impressions }) => count(impressions) },
            { head: 'Clicks', figure: true, cell: ({ clicks }) => count(clicks) },
            {
              head: 'CTR, 95 %',
              figure: true,
              cell: ({ ctr }) => (
                <>
                  <RateWord of={ctr} />{' '}
                  <span className="soft">
                    {percent(ctr.low)} to {percent(ctr.high)}
                  </span>
                </>
              ),
            },
          ]}
        />
      )}
      {ads && (
        <p className="soft">
          Ads that lead there cost {worth(ads.before.cost)} for {worth(ads.before.sales)} of sales in the
          window before ({percent(costOfSales(ads.before))}), {worth(ads.after.cost)} for{' '}
          {worth(ads.after.sales)} in the one after ({percent(costOfSales(ads.after))}). Sales have seasons:
          this is no proof.
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
        title="Search for its exact title: 1 unit"
        onClick={() =>
          void look({ project, market: scope.market, change }).unwrap().then(tell).catch(trouble)
        }
      >
        Is its title found?
      </Button>{' '}
      {told && (
        <span role="status">
          {told.found === 0
            ? `Not among the ${counted(told.looked, 'result')} for “${told.title}”.`
            : `Found ${told.found === 1 ? 'once' : `${told.found} times`} among ${counted(told.looked, 'result')}${
                told.own.length > 0
                  ? `; ours at ${told.own.map(({ position, address }) => `${position} (${address})`).join(', ')}`
                  : ', none of them ours'
              }.`}{' '}
          Being found by its own title is presence, not a ranking.
        </span>
      )}
    </p>
  );
}
