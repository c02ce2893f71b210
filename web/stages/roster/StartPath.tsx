import type { Target } from '@opsimath/contract/api/targets';
import { useState } from 'react';
import { useLookUpsQuery } from '../../state/lookUpApi';
import { useScope } from '../../state/useScope';
import { StartCompare } from './StartCompare';
import { StartLookUp } from './StartLookUp';
import { StartTargets } from './StartTargets';
import './start.css';
import { t } from '../../words/t';

/** The way from nothing to a first list of gaps, on one page: what each step brings, what it costs, what is still missing. */
export function StartPath({ targets }: { targets: readonly Target[] }) {
  const { project, scope } = useScope();
  const place = `opsimath.start-left.${project}`;
  const [left, setLeft] = useState(() => localStorage.getItem(place) !== null);
  const { data: lookUps } = useLookUpsQuery(project);
  if (left || !lookUps || lookUps.length > 1) return null;
  const here = targets.filter(({ surface }) => scope.market.startsWith(`${surface}-`));
  const of = (side: Target['side']): Target[] => here.filter((target) => target.side === side);
  const [own, rivals, lookUp] = [of('own'), of('rival'), lookUps[0]];
  const steps = [own.length > 0, rivals.length > 0, lookUp?.job?.state === 'done', false];
  const next = steps.indexOf(false);
  const step = (n: number, title: string, brings: string, content: React.ReactNode) => (
    <li className={steps[n] ? 'done' : n === next ? 'next' : 'later'} aria-current={n === next && 'step'}>
      <h3>{title}</h3>
      <p className="soft">{brings}</p>
      {content}
    </li>
  );
  return (
    <section className="start-path sheet" aria-label={t('roster:StartPath.firstSteps')}>
      <header>
        <h2>{t('roster:StartPath.fourStepsToYourFirstGaps')}</h2>
        <button
          className="plain soft written"
          onClick={() => {
            localStorage.setItem(place, 'yes');
            setLeft(true);
          }}
        >
          {t('roster:StartPath.leaveThis')}
        </button>
      </header>
      <ol>
        {step(
          0,
          t('roster:StartPath.whoWeAre'),
          t('roster:StartPath.everyGapIsMeasuredFromHere'),
          <StartTargets side="own" targets={own} />,
        )}
        {step(
          1,
          t('roster:StartPath.whomWeFace'),
          t('roster:StartPath.whatTheyRankForAndWe'),
          <StartTargets side="rival" targets={rivals} />,
        )}
        {step(
          2,
          t('roster:StartPath.lookEverybodyUp'),
          t('roster:StartPath.findsEveryKeywordThatAnyOf'),
          <StartLookUp targets={[...own, ...rivals]} lookUp={lookUp} ready={next >= 2} />,
        )}
        {step(
          3,
          t('roster:StartPath.seeTheGaps'),
          t('roster:StartPath.whoIsNotNamedInA'),
          <StartCompare lookUp={lookUp} ready={next === 3} />,
        )}
      </ol>
    </section>
  );
}
