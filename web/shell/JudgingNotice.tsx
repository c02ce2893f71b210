import { useEffect, useState } from 'react';
import { count } from '../parts/words/figures';
import { useMessages } from '../state/messages';
import { judging } from '../state/judging';
import { useJudgingState } from '../state/judgingShown';
import { t } from '../words/t';

/** A verdict that is sent within this is not worth a word. */
const SHORT_MS = 1500;

/** Says how many verdicts wait in the browser while the server does not have them. */
export function JudgingNotice() {
  const message = useMessages();
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
      {t('shell:JudgingNotice.whichKeptInThisBrowserAnd', {
        which:
          waiting === 1
            ? t('shell:JudgingNotice.n1VerdictIs')
            : t('shell:JudgingNotice.waitingVerdictsAre', { waiting: count(waiting) }),
        which2: away
          ? t('shell:JudgingNotice.sentAsSoonAsTheApplication')
          : t('shell:JudgingNotice.beingSent'),
      })}
    </div>
  );
}
