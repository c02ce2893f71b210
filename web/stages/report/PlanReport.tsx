import { REPORT_RHYTHMS, type SavedReport } from '@opsimath/contract/api/reports';
import { Select } from 'antd';
import { usePlanReportMutation } from '../../state/reportsApi';
import { useScope } from '../../state/useScope';

/** When a report is made by itself, and frozen. */
export function PlanReport({ saved }: { saved: SavedReport }) {
  const { project, scope } = useScope();
  const [plan, { isLoading }] = usePlanReportMutation();
  return (
    <Select
      size="small"
      aria-label="Make it by itself"
      disabled={isLoading}
      popupMatchSelectWidth={false}
      value={saved.plan?.rhythm ?? 'never'}
      options={[
        { value: 'never' as const, label: 'Made by hand' },
        ...REPORT_RHYTHMS.map((rhythm) => ({ value: rhythm, label: `Made by itself, ${rhythm}` })),
      ]}
      onChange={(rhythm: (typeof REPORT_RHYTHMS)[number] | 'never') =>
        void plan({ project, id: saved.id, market: scope.market, rhythm: rhythm === 'never' ? null : rhythm })
      }
    />
  );
}
