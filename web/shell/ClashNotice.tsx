import { App } from 'antd';
import { useEffect } from 'react';
import { onClash } from '../state/clashes';

const SECONDS = 8;

/** Says when a change was refused because somebody else has changed the same meanwhile, and what that was. */
export function ClashNotice() {
  const { message } = App.useApp();
  useEffect(
    () =>
      onClash(({ message: what, todo }) => void message.warning(todo ? `${what} ${todo}` : what, SECONDS)),
    [message],
  );
  return null;
}
