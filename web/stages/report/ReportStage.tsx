import { Button } from 'antd';
import { Problem } from '../../parts/words/Problem';
import { StartLookUp } from '../../parts/words/StartLookUp';
import { useReportQuery } from '../../state/gapsApi';
import { useScope } from '../../state/useScope';
import { toParams } from '../../state/api';
import { ReportPaper } from './ReportPaper';
import './report.css';

/** The prioritised gap report as a paper: read here, printed, or taken away as CSV. */
export default function ReportStage() {
  const { project, comparison } = useScope();
  const { data: report, error } = useReportQuery({ project, scope: comparison });
  if (error) return <Problem error={error} />;
  if (!report) return <p className="soft">Writing the report…</p>;
  if (report.totals.keywords === 0) {
    return <StartLookUp title="Nothing to report yet">A report needs a comparison.</StartLookUp>;
  }
  return (
    <div className="report-stage">
      <div className="report-tools no-print">
        <Button type="primary" onClick={() => window.print()}>
          Print or save as PDF
        </Button>
        <Button href={`/api/projects/${project}/gaps.csv?${new URLSearchParams(toParams(comparison))}`}>
          Export CSV
        </Button>
      </div>
      <ReportPaper report={report} />
    </div>
  );
}
