import type { LookUp } from '@opsimath/contract/api/lookUps';
import { liesUnder } from '@opsimath/core/text/address';
import { useTrouble } from '../../parts/words/useTrouble';
import { useMessages } from '../../state/messages';
import { useAddTargetsMutation, useTargetsQuery } from '../../state/rosterApi';
import { useScope } from '../../state/useScope';
import { t } from '../../words/t';

/** Targets of a look-up that nobody in the roster stands for count for nothing in Gaps: said, and mended at a press. */
export function StrangeTargets({ lookUp }: { lookUp: LookUp }) {
  const { project } = useScope();
  const { data: targets } = useTargetsQuery(project);
  const [add, { isLoading }] = useAddTargetsMutation();
  const message = useMessages();
  const trouble = useTrouble();
  if (!targets) return null;
  const strange = lookUp.targets
    .map(({ address }) => address)
    .filter((address) => !targets.some((target) => liesUnder(address, target.address)));
  if (strange.length === 0) return null;
  const join = async (): Promise<void> => {
    const { added } = await add({
      project,
      side: 'rival',
      market: lookUp.market,
      text: strange.join('\n'),
    }).unwrap();
    void message.info(t('lookup:StrangeTargets.addedInTheRosterNowAs', { added: added.length }));
  };
  return (
    <p className="soft" role="status">
      {t('lookup:StrangeTargets.whichNotInTheRosterStrange', {
        which:
          strange.length === 1
            ? t('lookup:StrangeTargets.oneOfItsTargetsIs')
            : t('lookup:StrangeTargets.strangeOfItsTargetsAre', { strange: strange.length }),
        strange: strange.slice(0, 3).join(', '),
      })}
      {strange.length > 3 && ' …'}
      {t('lookup:StrangeTargets.gapsDoesNotCompareWithWhich', {
        which: strange.length === 1 ? t('lookup:StrangeTargets.it') : t('lookup:StrangeTargets.them'),
      })}{' '}
      <button className="plain written" disabled={isLoading} onClick={() => void join().catch(trouble)}>
        {t('lookup:StrangeTargets.addAsWhich', {
          which: strange.length === 1 ? t('lookup:StrangeTargets.aRival') : t('lookup:StrangeTargets.rivals'),
        })}
      </button>
    </p>
  );
}
