import type { LookUpOrder } from '@opsimath/contract/api/lookUps';
import { Command } from 'cmdk';
import { useEffect, useState } from 'react';
import { JobLine } from '../../parts/words/JobLine';
import { useTrouble } from '../../parts/words/useTrouble';
import { count } from '../../parts/words/figures';
import { useLookUpPriceQuery, useLookUpsQuery, useStartLookUpMutation } from '../../state/lookUpApi';
import { useJob } from '../../state/jobs';
import { useKeywordHitsQuery } from '../../state/standingApi';
import { useScope } from '../../state/useScope';
import { t } from '../../words/t';

/** So long nothing is typed before a price is asked for. */
const REST_MS = 300;

/** A keyword that is being fetched, and by which look-up. */
export interface Fetched {
  lookUp: number;
  text: string;
}

/** A keyword that nobody looked up here: one press, its price on it, brings its figures, its front and our chance. */
export function NewKeyword({ text, onFetch }: { text: string; onFetch: (fetched: Fetched) => void }) {
  const { project, scope } = useScope();
  const rested = useRested(text);
  const [start] = useStartLookUpMutation();
  const trouble = useTrouble();
  const order: LookUpOrder = {
    market: scope.market,
    date: scope.date,
    keywords: [rested],
    extent: 'captures',
    captureMost: 1,
  };
  const { currentData: price } = useLookUpPriceQuery({ project, request: order }, { skip: rested !== text });
  return (
    <Command.Group heading={t('shell:NewKeyword.notHeldHere')}>
      <Command.Item
        value="new keyword"
        // Pressed before its price is there, it waits for that: nothing is spent unseen.
        onSelect={() =>
          price !== undefined &&
          void start({ project, request: order })
            .unwrap()
            .then(({ id }) => onFetch({ lookUp: id, text: rested }))
            .catch(trouble)
        }
      >
        “{text}”{' '}
        <span className="faint">
          {t('shell:NewKeyword.itsFiguresFrontOurChanceAnd', {
            which: price
              ? `${count(price.units)} ${price.units === 1 ? t('shell:NewKeyword.unit') : t('shell:NewKeyword.units')}`
              : t('shell:NewKeyword.readingThePrice'),
          })}
        </span>
      </Command.Item>
    </Command.Group>
  );
}

/** How far it is; once it is there, its dossier opens. */
export function Fetching({
  fetched: { lookUp, text },
  onKnown,
}: {
  fetched: Fetched;
  onKnown: (keyword: number) => void;
}) {
  const { project, comparison } = useScope();
  const { data: lookUps } = useLookUpsQuery(project);
  const job = useJob(lookUps?.find(({ id }) => id === lookUp)?.job);
  const done = job?.state === 'done';
  const { market, date } = comparison;
  const { currentData: known } = useKeywordHitsQuery(
    { project, query: { market, date, text, limit: 1 } },
    { skip: !done },
  );
  const keyword = known?.exact ?? null;
  useEffect(() => {
    if (keyword !== null) onKnown(keyword);
  }, [keyword, onKnown]);
  return (
    <div className="command-work">
      <b>{text}</b>{' '}
      {job && !done ? (
        <JobLine job={job} />
      ) : (
        <span role="status">{t('shell:NewKeyword.openingItsDossier')}</span>
      )}
    </div>
  );
}

/** What was typed, once the typing rests. */
function useRested(text: string): string {
  const [rested, rest] = useState(text);
  useEffect(() => {
    const timer = setTimeout(() => rest(text), REST_MS);
    return () => clearTimeout(timer);
  }, [text]);
  return rested;
}
