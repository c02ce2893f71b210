import type { OutsidePreview } from '@opsimath/contract/api/outside';
import type { Judgement } from '@opsimath/contract/api/judgements';
import { Button, Checkbox, Modal } from 'antd';
import { useRef, useState } from 'react';
import { Problem } from '../../parts/words/Problem';
import { count, counted } from '../../parts/words/figures';
import { useMessages } from '../../state/messages';
import { useAddNoteMutation } from '../../state/notesApi';
import { useJudgeMutation } from '../../state/siftApi';
import { useAppSelector } from '../../state/store';
import { type Operation, request, runOperation } from '../../state/operations';
import { useUndoable } from '../../state/undoStacks';
import { useScope } from '../../state/useScope';
import { useOutsideMutation, variantsApi } from '../../state/variantsApi';
import { t } from '../../words/t';

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
        aria-label={t('sift:OutsideTable.tableWorkedOnOutside')}
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
        {t('sift:OutsideTable.bringBackATableWorkedOn')}
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
      title={<span className="serif">{t('sift:OutsideTable.whatTheTableWouldChange')}</span>}
      onCancel={onClose}
      footer={
        <>
          <Button onClick={onClose}>{t('sift:OutsideTable.leaveAllAsItIs')}</Button>
          <Button
            type="primary"
            loading={busy}
            disabled={nothing}
            onClick={() => void apply().then((done) => done && onClose())}
          >
            {t('sift:OutsideTable.applySize', { size: count(taken.size + notes.length + marks) })}
          </Button>
        </>
      }
    >
      <p className="soft">
        {t('sift:OutsideTable.rowsUnchangedSayWhatStandsAlready', {
          rows: counted(preview.rows, 'row'),
          unchanged: count(preview.unchanged),
        })}
        {notes.length > 0 && ` ${t('sift:OutsideTable.notesBringANewNote', { notes: count(notes.length) })}`}
        {markers.map(({ marker, name, on, off }) => (
          <span key={marker}>
            {' '}
            {t('sift:OutsideTable.nameOnMoreOffFewer', {
              name,
              on: count(on.length),
              off: count(off.length),
            })}
          </span>
        ))}
      </p>
      {verdicts.length > 0 && (
        <div className="outside-list">
          <table className="ledger">
            <thead>
              <tr>
                <th />
                <th>{t('sift:OutsideTable.keyword')}</th>
                <th>{t('sift:OutsideTable.standsHere')}</th>
                <th>{t('sift:OutsideTable.inTheTable')}</th>
              </tr>
            </thead>
            <tbody>
              {verdicts.slice(0, SHOWN).map(({ keyword, text, before, after, newer }) => (
                <tr key={keyword}>
                  <td>
                    <Checkbox
                      aria-label={t('sift:OutsideTable.takeOverText', { text })}
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
                        {t('sift:OutsideTable.judgedAfterTheTableWasWritten', {
                          person: before.person && t('sift:OutsideTable.byPerson', { person: before.person }),
                        })}
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
              {t('sift:OutsideTable.theFirstSHOWNOfVerdictsAre', { SHOWN, verdicts: count(verdicts.length) })}
            </p>
          )}
        </div>
      )}
      {unmatched.length > 0 && (
        <details>
          <summary>
            {t('sift:OutsideTable.rowsWhichNothingHere', {
              rows: counted(unmatched.length, 'row'),
              which: unmatched.length === 1 ? t('sift:OutsideTable.fits') : t('sift:OutsideTable.fit'),
            })}
          </summary>
          <ul>
            {unmatched.slice(0, SHOWN).map(({ line, text, why }, n) => (
              <li key={n}>{t('sift:OutsideTable.lineLineTextWhy', { line, text, why })}</li>
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
  const message = useMessages();
  const person = useAppSelector((state) => state.preferences.person);
  const [judge] = useJudgeMutation();
  const [addNote] = useAddNoteMutation();
  const undoable = useUndoable(project);
  const [error, setError] = useState<unknown>(null);
  const [busy, setBusy] = useState(false);
  const chosen = preview.verdicts.filter(({ keyword }) => taken.has(keyword));
  const judgeAll = async (): Promise<Operation[]> => {
    const changes = chosen.map(({ keyword, after: { verdict, parked, reason } }): Judgement => ({
      keyword,
      verdict,
      parked,
      reason,
    }));
    if (changes.length === 0) return [];
    const { id } = await judge({ project, changes, person }).unwrap();
    return [{ takesBack: id, project, stood: [] }];
  };
  /** Puts the markers as the table has them, or as they stood. */
  const marks = (done: boolean): Operation[] =>
    preview.markers.flatMap(({ marker, on, off }) =>
      [
        { keywords: on, on: done },
        { keywords: off, on: !done },
      ]
        .filter(({ keywords }) => keywords.length > 0)
        .map((change) => request(variantsApi.endpoints.mark, { project, marker, ...change })),
    );
  const apply = async (): Promise<boolean> => {
    setBusy(true);
    setError(null);
    try {
      const judged = await judgeAll();
      await runOperation({ all: marks(true) });
      for (const { keyword, note } of preview.notes)
        await addNote({ project, subject: { on: 'keyword', keyword }, text: note, person }).unwrap();
      undoable({
        what: t('sift:OutsideTable.bringBackATable'),
        undo: { all: [...judged, ...marks(false)] },
        redo: { all: [...judged, ...marks(true)] },
      });
      void message.info(t('sift:OutsideTable.theTableIsTakenOverUndo'));
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
