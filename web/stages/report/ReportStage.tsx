import { useReportsQuery } from '../../state/reportsApi';
import { useScope } from '../../state/useScope';
import { FrozenReport } from './FrozenReport';
import { NewReport } from './NewReport';
import { OpenReport } from './OpenReport';
import { ReportShelf } from './ReportShelf';
import './report.css';
import { t } from '../../words/t';

/** What we tell them: reports as they are now, and as they were when they were frozen. */
export default function ReportStage() {
  const { project, scope } = useScope();
  const { data: reports } = useReportsQuery(project);
  const { report, frozen } = scope;
  if (!reports) return <p className="soft">{t('report:ReportStage.openingTheReports')}</p>;
  const isOpen = frozen !== null || report !== null;
  return (
    <div className={isOpen ? 'report-stage' : 'report-stage is-new'}>
      <ReportShelf reports={reports} />
      {frozen !== null ? (
        <FrozenReport key={frozen} id={frozen} />
      ) : report !== null ? (
        <OpenReport key={report} id={report} />
      ) : (
        <NewReport />
      )}
    </div>
  );
}
