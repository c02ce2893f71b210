import type { FileImport, UploadAnswer } from '@opsimath/contract/api/imports';
import { Button } from 'antd';
import { useRef, useState } from 'react';
import { JobLine } from '../../parts/words/JobLine';
import { Problem } from '../../parts/words/Problem';
import { count, counted } from '../../parts/words/figures';
import { useImportsQuery, useRejectionsQuery, useUploadFileMutation } from '../../state/filesApi';
import { useResumeJobMutation } from '../../state/projectApi';
import { useJob } from '../../state/jobs';
import { useScope } from '../../state/useScope';
import { ReadingForm } from './ReadingForm';
import { Told } from '../../words/Told';
import { t } from '../../words/t';

/** Tables from files: choose, see how it is read, correct, take in, see what was rejected. */
export function ImportPanel() {
  const { project } = useScope();
  const { data: imports } = useImportsQuery(project);
  const [upload, { isLoading, error, reset }] = useUploadFileMutation();
  const [read, setRead] = useState<UploadAnswer | null>(null);
  const box = useRef<HTMLInputElement>(null);
  const choose = async (file: File | undefined): Promise<void> => {
    if (!file) return;
    reset();
    setRead(null);
    const answer = await upload({ project, file }).unwrap();
    setRead(answer);
  };
  const taken = (imports ?? []).filter((entry) => entry.job !== null);
  return (
    <section className="section">
      <h2>{t('roster:ImportPanel.tables')}</h2>
      {taken.length > 0 && (
        <table className="ledger">
          <tbody>
            {taken.map((entry) => (
              <ImportRow key={entry.id} entry={entry} />
            ))}
          </tbody>
        </table>
      )}
      <p className="soft" style={{ margin: '6px 0' }}>
        {t('roster:ImportPanel.ownSearchPerformanceAdSearchTerms')}
      </p>
      <input
        ref={box}
        type="file"
        accept=".csv,.tsv,.txt,.xlsx,.jsonl,.ndjson,text/csv,text/tab-separated-values"
        aria-label={t('roster:ImportPanel.tableFile')}
        className="read-only"
        tabIndex={-1}
        onChange={(event) => {
          void choose(event.target.files?.[0]).catch(() => undefined);
          event.target.value = '';
        }}
      />
      <Button onClick={() => box.current?.click()} loading={isLoading}>
        {t('roster:ImportPanel.chooseAFile')}
      </Button>
      {error && <Problem error={error} />}
      {read && <ReadingForm answer={read} onDone={() => setRead(null)} />}
    </section>
  );
}

function ImportRow({ entry }: { entry: FileImport }) {
  const job = useJob(entry.job);
  const [resume] = useResumeJobMutation();
  const [shown, setShown] = useState(false);
  const { data: rejected } = useRejectionsQuery(entry.id, { skip: !shown });
  return (
    <tr>
      <td>
        <b>{entry.fileName}</b>{' '}
        <span className="faint">
          {entry.kind}
          {', '}
          {entry.market}
          {', '}
          {entry.createdAt.slice(0, 10)}
        </span>
        {job && job.state !== 'done' && <JobLine job={job} />}
        {job && (job.state === 'failed' || job.state === 'cancelled') && (
          <Button size="small" onClick={() => void resume(job.id)}>
            {t('roster:ImportPanel.goOn')}
          </Button>
        )}
        {shown && rejected && (
          <ul className="rejections">
            {rejected.rows.map((row, n) => (
              <li key={n}>
                <Told
                  id="roster:ImportPanel.lineLineReasonContent"
                  values={{ line: row.line, reason: row.reason, content: row.content.slice(0, 120) }}
                  parts={{ code: <code className="faint" /> }}
                />
              </li>
            ))}
            {rejected.total > rejected.rows.length && (
              <li>
                {t('roster:ImportPanel.andTotalMore', {
                  total: count(rejected.total - rejected.rows.length),
                })}
              </li>
            )}
          </ul>
        )}
      </td>
      <td className="figure">
        <span title={t('roster:ImportPanel.everyLineOfTheFileIs')}>
          {t('roster:ImportPanel.rowsKeptOfRowsKept', {
            rowsKept: count(entry.rowsKept),
            rows: counted(entry.rowsRead, 'row'),
          })}
        </span>
        {entry.rowsBlank > 0 && (
          <div className="soft">
            {t('roster:ImportPanel.rowsBlankBlankLines', { rowsBlank: count(entry.rowsBlank) })}
          </div>
        )}
        {entry.rowsSkipped > 0 && (
          <div className="soft">
            {t('roster:ImportPanel.rowsOfTotalsPassedOver', { rows: counted(entry.rowsSkipped, 'row') })}
          </div>
        )}
        {entry.rowsRejected > 0 && (
          <div>
            <button className="plain written" onClick={() => setShown(!shown)}>
              {t('roster:ImportPanel.rowsRejectedRejected', { rowsRejected: count(entry.rowsRejected) })}
            </button>
          </div>
        )}
      </td>
    </tr>
  );
}
