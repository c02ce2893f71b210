import type { ShownPage } from '@opsimath/contract/api/dossier';
import { t } from '../../words/t';

interface PageChange {
  address: string;
  owner: string | null;
  what: string;
}
type Slot = ShownPage['slots'][number];
const FIRST = 10;

/** What differs in the first ten organic results and the paid slots of two captures, the best positions first. */
export function changesOfPage(before: ShownPage, now: ShownPage): PageChange[] {
  const byAddress = ({ slots }: ShownPage, kind: string): Map<string, Slot> =>
    new Map(
      slots
        .filter((slot) => slot.kind === kind && slot.address !== null && slot.position !== null)
        .sort((a, b) => b.position! - a.position!)
        .map((slot) => [slot.address!, slot]),
    );
  const [then, today] = [byAddress(before, 'organic'), byAddress(now, 'organic')];
  const changes: (PageChange & { at: number })[] = [];
  for (const address of new Set([...then.keys(), ...today.keys()])) {
    const [old, current] = [then.get(address), today.get(address)];
    const inside = Math.min(old?.position ?? Infinity, current?.position ?? Infinity) <= FIRST;
    if (!inside) continue;
    const at = current?.position ?? FIRST + (old?.position ?? 0);
    const owner = (current ?? old)!.owner;
    const say = (what: string): void => void changes.push({ address, owner, what, at });
    if (!current) say(t('parts:changesOfPage.goneWasAtPosition', { position: old!.position }));
    else if (!old) say(t('parts:changesOfPage.newAtPosition', { position: current.position }));
    else if (old.position !== current.position) say(`${old.position} → ${current.position}`);
    if (old && current && old.title !== current.title)
      say(t('parts:changesOfPage.anotherTitleTitleTitle2', { title: old.title, title2: current.title }));
  }
  const [paidThen, paidNow] = [byAddress(before, 'paid'), byAddress(now, 'paid')];
  for (const address of new Set([...paidThen.keys(), ...paidNow.keys()])) {
    const [old, current] = [paidThen.get(address), paidNow.get(address)];
    if ((old === undefined) === (current === undefined)) continue;
    const what = current
      ? t('parts:changesOfPage.buysSlotPositionNow', { position: current.position })
      : t('parts:changesOfPage.noLongerBuysSlotPosition', { position: old!.position });
    changes.push({ address, owner: (current ?? old)!.owner, what, at: 2 * FIRST });
  }
  return changes.sort((a, b) => a.at - b.at).map(({ at: _, ...change }) => change);
}
