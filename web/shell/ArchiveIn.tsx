import type { Job } from '@opsimath/contract/api/jobs';
import { Button } from 'antd';
import { useEffect, useRef, useState } from 'react';
import { JobLine } from '../parts/words/JobLine';
import { Problem } from '../parts/words/Problem';
import { api } from '../state/api';
import { useUploadArchiveMutation } from '../state/projectApi';
import { useJob } from '../state/jobs';
import { isUnderWay } from '../state/jobsHeard';
import { useAppDispatch } from '../state/store';
import { t } from '../words/t';

/** Brings in a project that was written as one file. */
export function ArchiveIn() {
  const [upload, { isLoading, error }] = useUploadArchiveMutation();
  const [job, setJob] = useState<Job | null>(null);
  const box = useRef<HTMLInputElement>(null);
  return (
    <section className="section" style={{ marginTop: 20 }}>
      <h2>{t('shell:ArchiveIn.bringInAProjectArchive')}</h2>
      <input
        ref={box}
        type="file"
        accept=".gz"
        aria-label={t('shell:ArchiveIn.projectArchive')}
        className="read-only"
        tabIndex={-1}
        onChange={(event) => {
          const file = event.target.files?.[0];
          if (file)
            void upload(file)
              .unwrap()
              .then((answer) => setJob(answer.job))
              .catch(() => undefined);
          event.target.value = '';
        }}
      />
      <Button onClick={() => box.current?.click()} loading={isLoading}>
        {t('shell:ArchiveIn.chooseAnArchive')}
      </Button>
      {error && <Problem error={error} />}
      {job && <ArchiveJob job={job} />}
    </section>
  );
}

function ArchiveJob({ job }: { job: Job }) {
  const dispatch = useAppDispatch();
  const latest = useJob(job);
  const ended = latest !== null && latest !== undefined && !isUnderWay(latest);
  useEffect(() => {
    if (ended) dispatch(api.util.invalidateTags(['projects']));
  }, [ended, dispatch]);
  if (!latest) return null;
  if (latest.state === 'done') return <p role="status">{t('shell:ArchiveIn.theProjectIsBroughtIn')}</p>;
  return <JobLine job={latest} />;
}
