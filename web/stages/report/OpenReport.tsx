import { Button, Popconfirm } from 'antd';
import { useState } from 'react';
import { useNavigate } from 'react-router';
import { JobLine } from '../../parts/words/JobLine';
import { Problem } from '../../parts/words/Problem';
import { useJobQuery } from '../../state/projectApi';
import { useJob } from '../../state/jobs';
import {
  useAuditsQuery,
  useFreezeReportMutation,
  useRemoveReportMutation,
  useReportContentQuery,
  useReportQuery,
} from '../../state/reportsApi';
import type { SavedReport } from '@opsimath/contract/api/reports';
import { useScope } from '../../state/useScope';
import { PlanReport } from './PlanReport';
import { ReportLook } from './ReportLook';
import { ReportPaper } from './ReportPaper';
import { SectionList } from './SectionList';
import { TakeAway } from './TakeAway';
import { useReportDocument } from './useReportDocument';
import { t, wordOf } from '../../words/t';

/** A report as it is now: its sections on the left, the paper beside them. */
export function OpenReport({ id }: { id: number }) {
  const { project } = useScope();
  const { data: saved, error } = useReportQuery({ project, id });
  if (error) return <Problem error={error} />;
  if (!saved) return <p className="soft">{t('report:OpenReport.openingTheReport')}</p>;
  return <Opened saved={saved} />;
}

function Opened({ saved }: { saved: SavedReport }) {
  const { project, comparison, change } = useScope();
  const navigate = useNavigate();
  const held = useReportDocument(project, saved);
  const {
    currentData: content,
    error,
    isFetching,
  } = useReportContentQuery({ project, id: saved.id, scope: comparison });
  const [freeze, freezing] = useFreezeReportMutation();
  const [remove] = useRemoveReportMutation();
  const [looks, showLooks] = useState(false);
  const { data: audits } = useAuditsQuery();
  const audit = audits?.find((one) => one.report === saved.id && one.project === project);
  const frozenNow = async (): Promise<void> => {
    const made = await freeze({ project, id: saved.id, scope: comparison }).unwrap();
    change({ frozen: made.id });
  };
  const takeAway = async (): Promise<void> => {
    // The room of an audit goes too: nobody is to stand in it.
    if (audit) await navigate('/');
    await remove({ project, id: saved.id }).unwrap();
    if (!audit) change({ report: null, frozen: null });
  };
  return (
    <>
      <div className="report-tools no-print">
        <span className="soft" role="status">
          {held.trouble ?? (held.state === 'kept' ? 'kept' : wordOf(held.state))}
          {isFetching && content && ` ${t('report:OpenReport.figuresAreBeingWorkedOut')}`}
        </span>
        <Button size="small" disabled={!held.canUndo} onClick={held.undo}>
          {t('report:OpenReport.undo')}
        </Button>
        <Button size="small" aria-expanded={looks} onClick={() => showLooks(!looks)}>
          {t('report:OpenReport.titleLogoColour')}
        </Button>
        {!audit && <PlanReport saved={saved} />}
        <Button
          size="small"
          disabled={freezing.isLoading || !content || held.state !== 'kept'}
          onClick={() => void frozenNow().catch(() => undefined)}
        >
          {t('report:OpenReport.freeze')}
        </Button>
        <TakeAway what={{ report: saved.id, scope: comparison }} content={content} />
        <Popconfirm
          title={
            audit
              ? t('report:OpenReport.removeThisAuditWithAllThat')
              : t('report:OpenReport.removeThisReportWhatWasFrozen')
          }
          okText={t('report:OpenReport.remove')}
          cancelText={t('report:OpenReport.keep')}
          onConfirm={() => void takeAway().catch(() => undefined)}
        >
          <Button size="small">{t('report:OpenReport.remove')}</Button>
        </Popconfirm>
      </div>
      <SectionList held={held} />
      <div className="report-desk">
        {looks && <ReportLook held={held} />}
        {audit && <AuditProgress job={audit.job} />}
        {(error ?? freezing.error) && <Problem error={error ?? freezing.error} />}
        {content ? (
          <ReportPaper content={content} held={held} />
        ) : (
          !error && <p className="soft">{t('report:OpenReport.writingTheReport')}</p>
        )}
      </div>
    </>
  );
}

/** While an audit is still looking things up: the report fills as they come. */
function AuditProgress({ job: id }: { job: number }) {
  const { data } = useJobQuery(id);
  const job = useJob(data);
  if (!job || job.state === 'done') return null;
  return (
    <section className="audit-progress" aria-label={t('report:OpenReport.theAudit')}>
      <JobLine job={job} />
      <p className="soft">{t('report:OpenReport.theReportFillsInAsThis')}</p>
    </section>
  );
}
