import type { LookUp } from '@opsimath/contract/api/lookUps';
import { liesUnder } from '@opsimath/core/text/address';
import { App } from 'antd';
import { useTrouble } from '../../parts/words/useTrouble';
import { useAddTargetsMutation, useTargetsQuery } from '../../state/rosterApi';
import { useScope } from '../../state/useScope';

/** Targets of a look-up that nobody in the roster stands for count for nothing in Gaps: said, and mended at a press. */
export function StrangeTargets({ lookUp }: { lookUp: LookUp }) {
  const { project } = useScope();
  const { data: targets } = useTargetsQuery(project);
  const [add, { isLoading }] = useAddTargetsMutation();
  const { message } = App.useApp();
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
    void message.info(`${added.length} in the roster now, as rivals.`);
  };
  return (
    <p className="soft" role="status">
      {strange.length === 1 ? 'One of its targets is' : `${strange.length} of its targets are`} not in the
      roster ({strange.slice(0, 3).join(', ')}
      {strange.length > 3 && ' …'}): Gaps does not compare with {strange.length === 1 ? 'it' : 'them'}.{' '}
      <button className="plain written" disabled={isLoading} onClick={() => void join().catch(trouble)}>
        Add as {strange.length === 1 ? 'a rival' : 'rivals'}
      </button>
    </p>
  );
}
