import { App } from 'antd';
import { useEffect, useState } from 'react';
import { count } from '../parts/words/figures';
import { judging } from '../state/judging';
import { useJudgingState } from '../state/judgingShown';

/** A verdict that is sent within this is not worth a word. */
const SHORT_MS = 1500;

/** Says how many verdicts wait in the browser while the server does not have them. */
export function JudgingNotice() {
  const { message } = App.useApp();
  const { waiting, away } = useJudgingState();
  const [long, setLong] = useState(false);
  useEffect(() => {
    judging.onProblem = (problem) => void message.warning(problem, 5);
  }, [message]);
  useEffect(() => {
    if (waiting === 0) return;
    const timer = setTimeout(() => setLong(true), SHORT_MS);
    return () => {
      clearTimeout(timer);
      setLong(false);
    };
  }, [waiting]);
  if (waiting === 0 || !(away || long)) return null;
  return (
    <div className="judging-notice" role="status">
      {waiting === 1 ? '1 verdict is' : `${count(waiting)} verdicts are`} kept in this browser and{' '}
      {away ? 'sent as soon as the application answers.' : 'being sent.'}
    </div>
  );
}
