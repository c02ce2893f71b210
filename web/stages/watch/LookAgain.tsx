import type { Rechecked, WatchView } from '@opsimath/contract/api/watch';
import { useState } from 'react';
import { spelledDay } from '../../parts/words/figures';
import { useTrouble } from '../../parts/words/useTrouble';
import { useScope } from '../../state/useScope';
import { useRecheckMutation } from '../../state/watchApi';
import { LookedAt } from './LookedAt';
import { t } from '../../words/t';

/** At most so many keywords of a change are looked at again at once. */
const MOST = 10;

/** A change that is to be looked at again, with a press that does it and what it then says. */
export function LookAgain({ due }: { due: WatchView['due'][number] }) {
  const { project, scope } = useScope();
  const [look, { isLoading }] = useRecheckMutation();
  const [seen, show] = useState<Rechecked | null>(null);
  const trouble = useTrouble();
  const keywords = due.keywords.slice(0, MOST);
  return (
    <>
      <b>{due.text}</b>{' '}
      <span className="soft">
        {t('watch:LookAgain.lookAgain')} {due.wait}{' '}
        {t('watch:LookAgain.daysAfterTheChangeDueSince', { since: spelledDay(due.since) })}
      </span>{' '}
      <button
        className="plain written"
        disabled={isLoading}
        onClick={() =>
          void look({ project, market: scope.market, keywords }).unwrap().then(show).catch(trouble)
        }
      >
        {t('watch:LookAgain.lookNowKeywordsWhich', {
          keywords: keywords.length,
          which: keywords.length === 1 ? t('watch:LookAgain.unit') : t('watch:LookAgain.units'),
        })}
      </button>
      {seen && <LookedAt seen={seen} />}
    </>
  );
}
