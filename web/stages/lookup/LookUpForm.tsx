import type { Target } from '@opsimath/contract/api/targets';
import type { SourceMarket } from '@opsimath/contract/source/answers';
import { Button, Segmented } from 'antd';
import { useState } from 'react';
import { Problem } from '../../parts/words/Problem';
import { useStartLookUpMutation } from '../../state/lookUpApi';
import { useScope } from '../../state/useScope';
import { ListPart } from './ListPart';
import { LookUpOptions } from './LookUpOptions';
import { PriceTable } from './PriceTable';
import { SeedsPart } from './SeedsPart';
import { TargetsPart } from './TargetsPart';
import { type LookUpPart, useLookUpDraft } from './useLookUpDraft';
import { Told } from '../../words/Told';
import { t } from '../../words/t';

const PARTS: { value: LookUpPart; label: string }[] = [
  { value: 'targets', label: t('lookup:LookUpForm.targets') },
  { value: 'seeds', label: t('lookup:LookUpForm.seeds') },
  { value: 'list', label: t('lookup:LookUpForm.aList') },
];

interface LookUpFormProps {
  targets: readonly Target[];
  markets: readonly SourceMarket[];
  onStarted: (lookUp: number) => void;
}

/** Puts a look-up together, says what it costs, starts it: one for each market. */
export function LookUpForm({ targets, markets, onStarted }: LookUpFormProps) {
  const { project, scope, change: changeScope } = useScope();
  const part = PARTS.find(({ value }) => value === scope.view)?.value ?? 'targets';
  const { draft, change, pasted, orders, clear } = useLookUpDraft(part, targets, markets);
  const [priced, setPriced] = useState('');
  const [start, { isLoading, error }] = useStartLookUpMutation();
  const asked = priced !== '' && priced === JSON.stringify(orders);
  const price = (): void => setPriced(JSON.stringify(orders));
  const begin = async (): Promise<void> => {
    let first: number | null = null;
    for (const request of orders) {
      const lookUp = await start({ project, request }).unwrap();
      first ??= lookUp.id;
    }
    clear();
    setPriced('');
    if (first !== null) onStarted(first);
  };
  return (
    <section
      className="sheet lookup-form"
      onKeyDown={(event) => {
        if (event.key === 'Enter' && (event.ctrlKey || event.metaKey)) price();
      }}
    >
      <Segmented
        block
        size="small"
        aria-label={t('lookup:LookUpForm.lookUpFrom')}
        value={part}
        options={PARTS}
        onChange={(view) => changeScope({ view: view === 'targets' ? '' : view }, { replace: true })}
      />
      {part === 'targets' && (
        <TargetsPart targets={targets} draft={draft} pasted={pasted} orders={orders} onChange={change} />
      )}
      {part === 'seeds' && <SeedsPart draft={draft} onChange={change} />}
      {part === 'list' && <ListPart draft={draft} onChange={change} />}
      <LookUpOptions part={part} draft={draft} markets={markets} onChange={change} />
      {asked && <PriceTable orders={orders} markets={markets} />}
      {error && <Problem error={error} />}
      {asked && (
        <p className="soft" role="status">
          <Told id="lookup:LookUpForm.thatIsWhatItTakesStart" parts={{ b: <b /> }} />
        </p>
      )}
      <div className="lookup-buttons">
        <Button onClick={price} disabled={orders.length === 0}>
          {t('lookup:LookUpForm.price')}
        </Button>
        <Button
          type="primary"
          title={asked ? undefined : t('lookup:LookUpForm.whatItCostsIsSaidFirst')}
          onClick={() => (asked ? void begin().catch(() => undefined) : price())}
          loading={isLoading}
          disabled={orders.length === 0}
        >
          {t('lookup:LookUpForm.start')}
        </Button>
      </div>
    </section>
  );
}
