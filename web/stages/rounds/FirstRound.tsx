import type { RoundsView } from '@opsimath/contract/api/rounds';
import { Button } from 'antd';
import { useState } from 'react';
import { count, worth } from '../../parts/words/figures';
import { useTrouble } from '../../parts/words/useTrouble';
import { useAddRoundMutation } from '../../state/roundsApi';
import { useAppSelector } from '../../state/store';
import { useScope } from '../../state/useScope';
import { RoundFields } from './RoundForm';
import { draftOfRound } from './draftOfRound';
import { useTaskChanges } from './useTaskChanges';
import { t } from '../../words/t';

/** Before any round: what could be done, and the form of the first one. */
export function FirstRound({ view }: { view: RoundsView }) {
  const { project, scope } = useScope();
  const me = useAppSelector((state) => state.preferences.person);
  const [draft, write] = useState(() => draftOfRound(undefined, scope.date, me));
  const [add] = useAddRoundMutation();
  const changes = useTaskChanges();
  const trouble = useTrouble();
  const plan = async (isFilled: boolean): Promise<void> => {
    try {
      const { id } = await add({ project, round: draft }).unwrap();
      if (isFilled) await changes.fill(id, 1);
    } catch (error) {
      trouble(error);
    }
  };
  return (
    <div className="first-round sheet">
      <h1>{t('rounds:FirstRound.planTheFirstRound')}</h1>
      <p className="soft">
        {view.queue.total === 0
          ? t('rounds:FirstRound.nothingIsForetoldToBringSomething')
          : t('rounds:FirstRound.totalActionsWouldBringSomething', {
              total: count(view.queue.total),
              worth: worth(view.queue.value),
              currency: view.currency,
            })}
      </p>
      <RoundFields draft={draft} onChange={write} />
      <Button type="primary" disabled={view.queue.total === 0} onClick={() => void plan(true)}>
        {t('rounds:FirstRound.addItAndFillIt')}
      </Button>{' '}
      <Button onClick={() => void plan(false)}>{t('rounds:FirstRound.addItEmpty')}</Button>
    </div>
  );
}
