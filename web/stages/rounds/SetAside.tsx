import type { Task } from '@opsimath/contract/api/rounds';
import { Button, Input } from 'antd';
import { useState } from 'react';
import { DayField } from '../../parts/words/DayField';
import type { TaskChanges } from './useTaskChanges';

/** Put off with a day and a reason, dropped with a reason, or back to the queue. */
export function SetAside({ task, changes }: { task: Task; changes: TaskChanges }) {
  const [why, write] = useState(task.why);
  const [until, setUntil] = useState(task.until ?? '');
  const about = `“${task.lead.text}”`;
  return (
    <div className="set-aside">
      <Input
        size="small"
        aria-label="Reason"
        placeholder="Why it is put off or dropped"
        value={why}
        onChange={({ target }) => write(target.value)}
      />
      <span>
        <DayField name="Until" canBeEmpty value={until} onChange={setUntil} />{' '}
        <Button
          size="small"
          disabled={until === ''}
          title="It comes up again on that day"
          onClick={() =>
            void changes.change(`${about} put off`, [{ id: task.id, state: 'put off', until, why }])
          }
        >
          Put off
        </Button>{' '}
        <Button
          size="small"
          disabled={why.trim() === ''}
          title="It is not offered again; say why"
          onClick={() =>
            void changes.change(`${about} dropped`, [{ id: task.id, state: 'dropped', until: null, why }])
          }
        >
          Drop
        </Button>{' '}
        <Button
          size="small"
          onClick={() => void changes.change(`${about} back to the queue`, [{ id: task.id, state: 'out' }])}
        >
          Back to the queue
        </Button>
      </span>
    </div>
  );
}
