import type { ReportTemplate } from '@opsimath/contract/api/reports';
import { Button, Select } from 'antd';
import { useState } from 'react';
import { Problem } from '../../parts/words/Problem';
import { useAddReportMutation } from '../../state/reportsApi';
import { useRoundsQuery } from '../../state/roundsApi';
import { useScope } from '../../state/useScope';
import { AuditForm } from '../../parts/audit/AuditForm';
import { TEMPLATE_WORDS } from './sectionWords';
import { t } from '../../words/t';

type Own = keyof typeof TEMPLATE_WORDS;
const TEMPLATES = Object.keys(TEMPLATE_WORDS) as Own[];

/** What can be told, and to whom: each begins with the sections that it usually has. */
export function NewReport() {
  const { project, scope, change, comparison } = useScope();
  const [add, { error, isLoading }] = useAddReportMutation();
  const [round, chooseRound] = useState<number | null>(null);
  const { data: board } = useRoundsQuery({ project, scope: workOf(comparison) });
  const rounds = board?.rounds ?? [];
  const begin = async (template: ReportTemplate): Promise<void> => {
    const about = template === 'round' ? (round ?? rounds.at(-1)?.id) : undefined;
    const made = await add({
      ...{ project, template },
      ...(about === undefined ? {} : { round: about }),
    }).unwrap();
    change({ report: made.id, frozen: null, against: null });
  };
  return (
    <div className="new-report">
      <h1>{t('report:NewReport.whatDoYouWantToTell')}</h1>
      {error && <Problem error={error} />}
      <ul className="templates">
        {TEMPLATES.map((template) => (
          <li key={template}>
            <h2>{TEMPLATE_WORDS[template].name}</h2>
            <p className="soft">{TEMPLATE_WORDS[template].what}</p>
            {template === 'round' && rounds.length > 1 && (
              <Select
                size="small"
                aria-label={t('report:NewReport.whichRound')}
                value={round ?? rounds.at(-1)!.id}
                options={rounds.map(({ id, name }) => ({ value: id, label: name }))}
                onChange={chooseRound}
              />
            )}
            {template === 'round' && board && rounds.length === 0 && (
              <p className="soft">{t('report:NewReport.thereIsNoRoundYetFill')}</p>
            )}
            <Button
              type={template === 'gaps' ? 'primary' : 'default'}
              disabled={isLoading || (template === 'round' && rounds.length === 0)}
              onClick={() => void begin(template).catch(() => undefined)}
            >
              {t('report:NewReport.begin')}
            </Button>
          </li>
        ))}
        <li className="audit">
          <h2>{t('report:NewReport.auditOfSomebodySTarget')}</h2>
          <p className="soft">{t('report:NewReport.forAFirstConversationWhatA')}</p>
          <AuditForm market={scope.market} date={scope.date} />
        </li>
      </ul>
    </div>
  );
}

const workOf = ({
  market,
  date,
  compare,
}: {
  market: string;
  date: string;
  compare?: string | undefined;
}) => ({
  market,
  date,
  ...(compare === undefined ? {} : { compare }),
});
