import type { message } from 'antd';
import { createContext, useContext } from 'react';

type Messages = ReturnType<(typeof message)['useMessage']>[0];

/** Where short messages appear; the frame of the application gives it. */
export const MessagesPlace = createContext<Messages | null>(null);

/** Short messages at the top of the window. Throws outside the frame of the application. */
export function useMessages(): Messages {
  const place = useContext(MessagesPlace);
  if (place === null) throw new Error('Messages have no place here.');
  return place;
}
