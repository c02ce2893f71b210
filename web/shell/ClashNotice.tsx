import { useEffect } from 'react';
import { useMessages } from '../state/messages';
import { onClash } from '../state/clashes';

const SECONDS = 8;

/** Says when a change was refused because somebody else has changed the same meanwhile, and what that was. */
export function ClashNotice() {
  const message = useMessages();
  useEffect(
    () =>
      onClash(({ message: what, todo }) => void message.warning(todo ? `${what} ${todo}` : what, SECONDS)),
    [message],
  );
  return null;
}
