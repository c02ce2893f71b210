import { useMessages } from '../../state/messages';
import { problemOf } from '../../state/api';

/** Tells somebody that what they asked for failed: what happened and what to do. */
export function useTrouble(): (error: unknown, otherwise?: string) => void {
  const message = useMessages();
  return (error, otherwise = '') => {
    const { message: happened, todo } = problemOf(error);
    void message.warning(`${happened} ${todo ?? otherwise}`.trim());
  };
}
