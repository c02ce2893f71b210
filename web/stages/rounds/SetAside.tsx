import type { Task } from '@opsimath/contract/api/rounds';
import { Button, Input } from 'antd';
import { useState } from 'react';
import { DayField } from '../../parts/words/DayField';
import type { TaskChanges } from './useTaskChanges';
import { t } from '../../words/t';

/** Put off with a day and a reason, dropped with a reason, or back to the queue. */
export function SetAside({ task, changes }: { task: Task; changes: TaskChanges }) {
  const [why, write] = useState(task.why);
  const [until, setUntil] = useState(task.until ?? '');
  const about = `“${task.lead.text}”`;
  return (
    <div className="set-aside">
      <Input
        size="small"
        aria-label={t('rounds:SetAside.reason')}
        placeholder={t('rounds:SetAside.whyItIsPutOffOr')}
        value={why}
        onChange={({ target }) => write(target.value)}
      />
      <span>
        <DayField name={t('rounds:SetAside.until')} canBeEmpty value={until} onChange={setUntil} />{' '}
        <Button
          size="small"
          disabled={until === ''}
          title={t('rounds:SetAside.itComesUpAgainOnThat')}
          onClick={() =>
            void changes.change(t('rounds:SetAside.aboutPutOff', { about }), [
              { id: task.id, state: 'put off', until, why },
            ])
          }
        >
          {t('rounds:SetAside.putOff')}
        </Button>{' '}
        <Button
          size="small"
          disabled={why.trim() === ''}
          title={t('rounds:SetAside.itIsNotOfferedAgainSay')}
          onClick={() =>
            void changes.change(t('rounds:SetAside.aboutDropped', { about }), [
              { id: task.id, state: 'dropped', until: null, why },
            ])
          }
        >
          {t('rounds:SetAside.drop')}
        </Button>{' '}
        <Button
          size="small"
          onClick={() =>
            void changes.change(t('rounds:SetAside.aboutBackToTheQueue', { about }), [
              { id: task.id, state: 'out' },
            ])
          }
        >
          {t('rounds:SetAside.backToTheQueue')}
        </Button>
      </span>
    </div>
  );
}
