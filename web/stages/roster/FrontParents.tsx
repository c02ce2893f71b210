import type { Front } from '@opsimath/contract/api/front';
import { Button } from 'antd';
import { count } from '../../parts/words/figures';
import { useAddTargetsMutation } from '../../state/rosterApi';
import { useScope } from '../../state/useScope';
import { t, wordOf } from '../../words/t';

const MOST = 8;

/** Sites, channels or shops that hold several of the shown slots. */
export function FrontParents({ front }: { front: Front }) {
  const { project, scope } = useScope();
  const [add, { isLoading, originalArgs }] = useAddTargetsMutation();
  const several = front.parents.filter(({ slots }) => slots > 1).slice(0, MOST);
  if (several.length === 0) return null;
  return (
    <table className="ledger parents">
      <thead>
        <tr>
          <th>{t('roster:FrontParents.holdsSeveralSlots')}</th>
          <th className="figure">{t('roster:FrontParents.slots')}</th>
          <th className="figure">{t('roster:FrontParents.best')}</th>
          <th className="figure">{t('roster:FrontParents.authority')}</th>
          <th className="figure">{t('roster:FrontParents.refDomains')}</th>
          <th />
        </tr>
      </thead>
      <tbody>
        {several.map(({ address, owner, kind, slots, best, inRoster, figures }) => (
          <tr key={address}>
            <td>
              <b>{owner}</b> <span className="faint">{address}</span>
            </td>
            <td className="figure">{slots}</td>
            <td className="figure">{best}</td>
            <td className="figure">{count(figures.authority)}</td>
            <td className="figure">{count(figures['referring domains'])}</td>
            <td className="figure">
              {inRoster ? (
                <span className="faint">{t('roster:FrontParents.inTheRoster')}</span>
              ) : (
                <Button
                  size="small"
                  loading={isLoading && originalArgs?.text === address}
                  onClick={() => void add({ project, side: 'rival', market: scope.market, text: address })}
                >
                  {t('roster:FrontParents.addTheKind', { kind: wordOf(kind) })}
                </Button>
              )}
            </td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}
