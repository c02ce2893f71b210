import { App } from 'antd';
import { useLocation, useNavigate } from 'react-router';
import { gapsApi, useTrackMutation } from '../state/gapsApi';
import { useAppDispatch, useAppSelector } from '../state/store';
import { searchWithView, writeScope } from '../state/scope';
import { empty } from '../state/tray';
import { useLookUpOf } from '../state/useLookUpOf';
import { useScope } from '../state/useScope';
import { useIntoRound } from './useIntoRound';
import { copyAsTable } from '../parts/table/copyAsTable';

const NOTHING: { id: number; text: string }[] = [];

/** Keywords put aside, at the bottom edge, with what can be done to them. */
export function Tray({ project }: { project: number }) {
  const kept = useAppSelector((state) => state.tray[project] ?? NOTHING);
  const dispatch = useAppDispatch();
  const { message } = App.useApp();
  const { comparison, change } = useScope();
  const [track] = useTrackMutation();
  const lookUp = useLookUpOf();
  const navigate = useNavigate();
  const { search } = useLocation();
  const ids = kept.map((keyword) => keyword.id);
  const intoRound = useIntoRound(project, ids);
  if (kept.length === 0) return null;

  const follow = async (): Promise<void> => {
    await track({ project, keywords: ids, follow: true }).unwrap();
    void message.open({
      content: (
        <span>
          {ids.length} keywords are tracked.{' '}
          <button
            className="plain written"
            onClick={() => void track({ project, keywords: ids, follow: false })}
          >
            Undo
          </button>
        </span>
      ),
      duration: 6,
    });
  };
  const copy = async (): Promise<void> => {
    const rows: string[][] = [
      ['keyword', 'kind', 'own position', 'demand', 'adds a month', 'priority', 'best to do', 'reason'],
    ];
    for (const id of ids) {
      const asked = dispatch(gapsApi.endpoints.dossier.initiate({ project, keyword: id, scope: comparison }));
      const { data } = await asked;
      asked.unsubscribe();
      if (!data) continue;
      const { row } = data;
      rows.push([
        row.text,
        row.kind,
        String(row.own),
        figure(row.demand),
        figure(row.worthAMonth),
        figure(row.priority),
        row.action,
        row.reason,
      ]);
    }
    await copyAsTable(rows);
    void message.info(`${rows.length - 1} keywords are on the clipboard as a table.`);
  };
  return (
    <section className="tray no-print" aria-label="Tray">
      <b>{kept.length} in the tray</b>
      <button className="plain" onClick={() => void follow()}>
        Track
      </button>
      <button
        className="plain"
        title="A look-up of these keywords; its price is shown before anything is spent."
        onClick={() =>
          lookUp(
            kept.map((keyword) => keyword.text),
            'list',
          )
        }
      >
        Look up
      </button>
      <button
        className="plain"
        title="What is best for each goes into the round that is on, as a piece of work"
        onClick={() => void intoRound(false)}
      >
        Into a round
      </button>
      {kept.length > 1 && (
        <button
          className="plain"
          title="One new target for all of them goes into the round that is on, as one piece of work"
          onClick={() => void intoRound(true)}
        >
          As one page
        </button>
      )}
      <button
        className="plain"
        title="A draft that is to serve these keywords"
        onClick={() =>
          void navigate(
            `/p/${project}/drafts?${writeScope(new URLSearchParams(search), { view: '', draft: null }).toString()}`,
          )
        }
      >
        Draft
      </button>
      <button className="plain" onClick={() => void copy()}>
        Copy as table
      </button>
      <button className="plain" onClick={() => change({ open: ids[0]! })}>
        Open the first
      </button>
      {kept.length > 1 && (
        <button
          className="plain"
          title="The first two of the tray, their dossiers in columns"
          onClick={() => void navigate(`/p/${project}/gaps${searchWithView(search, 'two')}`)}
        >
          Set two side by side
        </button>
      )}
      <button className="plain" onClick={() => dispatch(empty(project))}>
        Empty
      </button>
      <span className="keys">Space selects · Enter opens the dossier · ? keys</span>
    </section>
  );
}

function figure(value: number | null): string {
  return value === null ? 'unknown' : value.toFixed(2);
}
