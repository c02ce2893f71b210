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

/** A report as it is now: its sections on the left, the paper beside them. */
export function OpenReport({ id }: { id: number }) {
  const { project } = useScope();
  const { data: saved, error } = useReportQuery({ project, id });
  if (error) return <Problem error={error} />;
  if (!saved) return <p className="soft">Opening the report…</p>;
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
          {held.trouble ?? (held.state === 'kept' ? 'kept' : held.state)}
          {isFetching && content && ' · figures are being worked out'}
        </span>
        <Button size="small" disabled={!held.canUndo} onClick={held.undo}>
          Undo
        </Button>
        <Button size="small" aria-expanded={looks} onClick={() => showLooks(!looks)}>
          Title, logo, colour
        </Button>
        {!audit && <PlanReport saved={saved} />}
        <Button
          size="small"
          disabled={freezing.isLoading || !content || held.state !== 'kept'}
          onClick={() => void frozenNow().catch(() => undefined)}
        >
          Freeze
        </Button>
        <TakeAway what={{ report: saved.id, scope: comparison }} content={content} />
        <Popconfirm
          title={
            audit
              ? 'Remove this audit with all that was gathered for it alone?'
              : 'Remove this report? What was frozen of it stays.'
          }
          okText="Remove"
          cancelText="Keep"
          onConfirm={() => void takeAway().catch(() => undefined)}
        >
          <Button size="small">Remove</Button>
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
          !error && <p className="soft">Writing the report…</p>
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
    <section className="audit-progress" aria-label="The audit">
      <JobLine job={job} />
      <p className="soft">The report fills in as this comes.</p>
    </section>
  );
}
