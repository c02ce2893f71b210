import { REPORT_RHYTHMS, type SavedReport } from '@opsimath/contract/api/reports';
import { Select } from 'antd';
import { usePlanReportMutation } from '../../state/reportsApi';
import { useScope } from '../../state/useScope';
import { t, wordOf } from '../../words/t';

/** When a report is made by itself, and frozen. */
export function PlanReport({ saved }: { saved: SavedReport }) {
  const { project, scope } = useScope();
  const [plan, { isLoading }] = usePlanReportMutation();
  return (
    <Select
      size="small"
      aria-label={t('report:PlanReport.makeItByItself')}
      disabled={isLoading}
      popupMatchSelectWidth={false}
      value={saved.plan?.rhythm ?? 'never'}
      options={[
        { value: 'never' as const, label: t('report:PlanReport.madeByHand') },
        ...REPORT_RHYTHMS.map((rhythm) => ({
          value: rhythm,
          label: t('report:PlanReport.madeByItselfRhythm', { rhythm: wordOf(rhythm) }),
        })),
      ]}
      onChange={(rhythm: (typeof REPORT_RHYTHMS)[number] | 'never') =>
        void plan({ project, id: saved.id, market: scope.market, rhythm: rhythm === 'never' ? null : rhythm })
      }
    />
  );
}
