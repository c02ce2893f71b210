import type { Job } from '@opsimath/contract/api/jobs';
import { useEffect, useRef } from 'react';
import { counted } from '../parts/words/figures';
import { useMessages } from '../state/messages';
import { useLookUpsQuery } from '../state/lookUpApi';
import { useJob } from '../state/jobs';
import { isUnderWay } from '../state/jobsHeard';
import { useAppSelector } from '../state/store';
import { useScope } from '../state/useScope';
import { t } from '../words/t';

/** Follows look-ups that are under way and says when one is ready, whatever stage is open. */
export function JobNotices() {
  const { project } = useScope();
  const { data: lookUps } = useLookUpsQuery(project);
  const heard = useAppSelector((state) => state.jobs);
  const message = useMessages();
  const before = useRef(new Map<number, Job['state']>());
  useEffect(() => {
    for (const { job, name, keywords } of lookUps ?? []) {
      if (job === null) continue;
      const state = isUnderWay(job) ? (heard[job.id]?.state ?? job.state) : job.state;
      const last = before.current.get(job.id);
      before.current.set(job.id, state);
      if (last !== undefined && isUnderWay({ state: last }) && state === 'done')
        void message.info(
          t('shell:JobNotices.readyNameWhich', {
            name,
            which: keywords > 0 ? `, ${counted(keywords, 'keyword')}` : '',
          }),
        );
    }
  }, [lookUps, heard, message]);
  return (lookUps ?? []).flatMap(({ job }) =>
    job !== null && job.state === 'running' ? [<Follower key={job.id} job={job} />] : [],
  );
}

function Follower({ job }: { job: Job }) {
  useJob(job);
  return null;
}
