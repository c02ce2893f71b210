import type { OutsidePreview } from '@opsimath/contract/api/outside';
import type { Judgement } from '@opsimath/contract/api/sift';
import { App, Button, Checkbox, Modal } from 'antd';
import { useRef, useState } from 'react';
import { Problem } from '../../parts/words/Problem';
import { count } from '../../parts/words/figures';
import { useAddNoteMutation } from '../../state/notesApi';
import { useJudgeMutation } from '../../state/siftApi';
import { useAppSelector } from '../../state/store';
import { undoStackOf } from '../../state/undo';
import { useScope } from '../../state/useScope';
import { useMarkMutation, useOutsideMutation } from '../../state/variantsApi';

const SHOWN = 200;

/** Brings a table back that was worked on outside: first what it would change, then, ticked, the change. */
export function OutsideTable() {
  const { project, scope } = useScope();
  const [read, { isLoading, error, reset }] = useOutsideMutation();
  const [preview, setPreview] = useState<OutsidePreview | null>(null);
  const box = useRef<HTMLInputElement>(null);
  return (
    <span className="outside">
      <input
        ref={box}
        type="file"
        accept=".csv,.tsv,.xlsx,.jsonl"
        aria-label="Table worked on outside"
        className="read-only"
        tabIndex={-1}
        onChange={({ target }) => {
          const file = target.files?.[0];
          target.value = '';
          if (!file) return;
          reset();
          read({ project, market: scope.market, file })
            .unwrap()
            .then(setPreview)
            .catch(() => undefined);
        }}
      />
      <Button size="small" loading={isLoading} onClick={() => box.current?.click()}>
        Bring back a table worked on outside
      </Button>
      {error && <Problem error={error} />}
      {preview && <Changes preview={preview} onClose={() => setPreview(null)} />}
    </span>
  );
}

function Changes({ preview, onClose }: { preview: OutsidePreview; onClose: () => void }) {
  const { verdicts, notes, markers, unmatched } = preview;
  // A newer judgement is overwritten only when somebody ticks it.
  const [taken, setTaken] = useState(
    () => new Set(verdicts.flatMap(({ keyword, newer }) => (newer ? [] : [keyword]))),
  );
  const { apply, error, busy } = useApply(preview, taken);
  const marks = markers.reduce((sum, { on, off }) => sum + on.length + off.length, 0);
  const nothing = taken.size + notes.length + marks === 0;
  return (
    <Modal
      open
      width={860}
      title={<span className="serif">What the table would change</span>}
      onCancel={onClose}
      footer={
        <>
          <Button onClick={onClose}>Leave all as it is</Button>
          <Button
            type="primary"
            loading={busy}
            disabled={nothing}
            onClick={() => void apply().then((done) => done && onClose())}
          >
            Apply {count(taken.size + notes.length + marks)}
          </Button>
        </>
      }
    >
      <p className="soft">
        {count(preview.rows)} rows; {count(preview.unchanged)} say what stands already.
        {notes.length > 0 && ` ${count(notes.length)} bring a new note.`}
        {markers.map(({ marker, name, on, off }) => (
          <span key={marker}>
            {' '}
            “{name}”: {count(on.length)} more, {count(off.length)} fewer.
          </span>
        ))}
      </p>
      {verdicts.length > 0 && (
        <div className="outside-list">
          <table className="ledger">
            <thead>
              <tr>
                <th />
                <th>Keyword</th>
                <th>Stands here</th>
                <th>In the table</th>
              </tr>
            </thead>
            <tbody>
              {verdicts.slice(0, SHOWN).map(({ keyword, text, before, after, newer }) => (
                <tr key={keyword}>
                  <td>
                    <Checkbox
                      aria-label={`Take over ${text}`}
                      checked={taken.has(keyword)}
                      onChange={({ target }) =>
                        setTaken((now) => {
                          const next = new Set(now);
                          if (target.checked) next.add(keyword);
                          else next.delete(keyword);
                          return next;
                        })
                      }
                    />
                  </td>
                  <td>
                    <b>{text}</b>
                  </td>
                  <td>
                    {said(before)}
                    {newer && (
                      <div className="step-problem">
                        judged after the table was written{before.person && `, by ${before.person}`}
                      </div>
                    )}
                  </td>
                  <td>{said(after)}</td>
                </tr>
              ))}
            </tbody>
          </table>
          {verdicts.length > SHOWN && (
            <p className="soft">
              The first {SHOWN} of {count(verdicts.length)} are shown; the tick holds for all.
            </p>
          )}
        </div>
      )}
      {unmatched.length > 0 && (
        <details>
          <summary>{count(unmatched.length)} rows fit nothing here</summary>
          <ul>
            {unmatched.slice(0, SHOWN).map(({ line, text, why }, n) => (
              <li key={n}>
                line {line}, {text}: {why}
              </li>
            ))}
          </ul>
        </details>
      )}
      {error !== null && <Problem error={error} />}
    </Modal>
  );
}

type Said = OutsidePreview['verdicts'][number]['after'];
function said({ verdict, parked, reason }: Said): string {
  return (parked ? 'parked' : verdict) + (reason === '' ? '' : `: ${reason}`);
}

/** Applies what is ticked as one step that can be taken back; notes stay, since notes are only ever added. */
function useApply(preview: OutsidePreview, taken: ReadonlySet<number>) {
  const { project } = useScope();
  const { message } = App.useApp();
  const person = useAppSelector((state) => state.preferences.person);
  const [judge] = useJudgeMutation();
  const [mark] = useMarkMutation();
  const [addNote] = useAddNoteMutation();
  const [error, setError] = useState<unknown>(null);
  const [busy, setBusy] = useState(false);
  const chosen = preview.verdicts.filter(({ keyword }) => taken.has(keyword));
  const judgeAs = async (which: 'before' | 'after'): Promise<void> => {
    const changes = chosen.map(({ keyword, [which]: { verdict, parked, reason } }): Judgement => ({
      keyword,
      verdict,
      parked,
      reason,
    }));
    if (changes.length > 0) await judge({ project, changes, person }).unwrap();
  };
  const markAs = async (done: boolean): Promise<void> => {
    for (const { marker, on, off } of preview.markers) {
      if (on.length > 0) await mark({ project, marker, keywords: on, on: done }).unwrap();
      if (off.length > 0) await mark({ project, marker, keywords: off, on: !done }).unwrap();
    }
  };
  const run = async (done: boolean): Promise<void> => {
    await judgeAs(done ? 'after' : 'before');
    await markAs(done);
  };
  const apply = async (): Promise<boolean> => {
    setBusy(true);
    setError(null);
    try {
      await run(true);
      for (const { keyword, note } of preview.notes)
        await addNote({ project, subject: { on: 'keyword', keyword }, text: note, person }).unwrap();
      undoStackOf(project).push({
        what: 'bring back a table',
        undo: () => run(false),
        redo: () => run(true),
      });
      void message.info('The table is taken over. Undo takes it back, but for its notes.');
      return true;
    } catch (problem) {
      setError(problem);
      return false;
    } finally {
      setBusy(false);
    }
  };
  return { apply, error, busy };
}
