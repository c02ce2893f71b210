import type { ReportListed } from '@opsimath/contract/api/reports';
import { Button } from 'antd';
import { spelledDay } from '../../parts/words/figures';
import { useFrozenReportsQuery } from '../../state/frozenApi';
import { useScope } from '../../state/useScope';
import { TEMPLATE_WORDS } from './sectionWords';
import { t, wordOf } from '../../words/t';

/** Reports of the project, and what was frozen of them. */
export function ReportShelf({ reports }: { reports: readonly ReportListed[] }) {
  const { project, scope, change } = useScope();
  const { data: frozen } = useFrozenReportsQuery(project);
  const open = (report: number | null, kept: number | null): void =>
    change({ report, frozen: kept, against: null });
  return (
    <nav className="report-shelf no-print" aria-label={t('report:ReportShelf.reports')}>
      <Button
        size="small"
        onClick={() => open(null, null)}
        disabled={scope.report === null && scope.frozen === null}
      >
        {t('report:ReportShelf.newReport')}
      </Button>
      {reports.length > 0 && <h2>{t('report:ReportShelf.reports')}</h2>}
      <ul>
        {reports.map(({ id, title, template, plan }) => (
          <li key={id}>
            <button
              className="plain"
              aria-current={scope.report === id && scope.frozen === null}
              onClick={() => open(id, null)}
            >
              {title === '' ? nameOf(template) : title}
              {plan && (
                <span className="soft">
                  {' · '}
                  {wordOf(plan.rhythm)}
                </span>
              )}
            </button>
          </li>
        ))}
      </ul>
      {frozen && frozen.length > 0 && (
        <>
          <h2>{t('report:ReportShelf.frozen')}</h2>
          <ul>
            {frozen.map(({ id, title, date, planned, shares }) => (
              <li key={id}>
                <button
                  className="plain"
                  aria-current={scope.frozen === id}
                  onClick={() => open(scope.report, id)}
                >
                  {title}
                  <span className="soft">
                    {' '}
                    {'· '}
                    {spelledDay(date)}
                    {planned && ` ${t('report:ReportShelf.madeByItself')}`}
                    {shares > 0 && ` ${t('report:ReportShelf.shared')}`}
                  </span>
                </button>
              </li>
            ))}
          </ul>
        </>
      )}
    </nav>
  );
}

const nameOf = (template: ReportListed['template']): string =>
  template === 'audit' ? t('report:ReportShelf.audit') : TEMPLATE_WORDS[template].name;
