import type { LookUp } from '@opsimath/contract/api/lookUps';
import type { SourceMarket } from '@opsimath/contract/source/answers';
import { Button, Popover } from 'antd';
import { useState } from 'react';
import { useTrouble } from '../../parts/words/useTrouble';
import { spelledDay } from '../../parts/words/figures';
import { useLookUpAgainMutation } from '../../state/lookUpApi';
import { useScope } from '../../state/useScope';
import { PriceTable } from './PriceTable';
import { t } from '../../words/t';

const NOTHING: readonly SourceMarket[] = [];

/** The same look-up at the date of the scope bar, beside the old one: what it costs is said before it begins. */
export function LookAgain({ lookUp }: { lookUp: LookUp }) {
  const { scope, change } = useScope();
  const [again, { isLoading }] = useLookUpAgainMutation();
  const [open, setOpen] = useState(false);
  const trouble = useTrouble();
  const begin = async (): Promise<void> => {
    const next = await again({ lookUp: lookUp.id, date: scope.date }).unwrap();
    setOpen(false);
    change({ lookUp: next.id });
  };
  return (
    <Popover
      trigger="click"
      placement="bottomRight"
      arrow={false}
      destroyOnHidden
      open={open}
      onOpenChange={setOpen}
      content={
        <div className="look-again">
          <PriceTable
            orders={[{ ...lookUp.request, date: scope.date, compareDate: null }]}
            markets={NOTHING}
          />
          <Button type="primary" size="small" loading={isLoading} onClick={() => void begin().catch(trouble)}>
            {t('lookup:LookAgain.start')}
          </Button>
        </div>
      }
    >
      <Button size="small">
        {t('lookup:LookAgain.lookUpAgainForDate', { date: spelledDay(scope.date) })}
      </Button>
    </Popover>
  );
}
