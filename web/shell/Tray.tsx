import { useLocation, useNavigate } from 'react-router';
import { KeywordActs } from '../parts/act/KeywordActs';
import { searchWithView, writeScope } from '../state/scope';
import { useAppDispatch, useAppSelector } from '../state/store';
import { empty } from '../state/tray';
import { useScope } from '../state/useScope';

const NOTHING: { id: number; text: string }[] = [];

/** Keywords put aside, at the bottom edge, with what can be done to them. */
export function Tray({ project }: { project: number }) {
  const kept = useAppSelector((state) => state.tray[project] ?? NOTHING);
  const dispatch = useAppDispatch();
  const { change } = useScope();
  const navigate = useNavigate();
  const { search } = useLocation();
  if (kept.length === 0) return null;
  return (
    <section className="tray no-print" aria-label="Tray">
      <b>{kept.length} in the tray</b>
      <KeywordActs keywords={kept} />
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
      <button className="plain" onClick={() => change({ open: kept[0]!.id })}>
        Open the first
      </button>
      {kept.length > 1 && (
        <button
          className="plain"
          title="The first two of the tray, their dossiers in columns"
          onClick={() => void navigate(`/p/${project}/gaps${searchWithView(search, 'two')}`)}
        >
          Two side by side
        </button>
      )}
      <button className="plain" onClick={() => dispatch(empty(project))}>
        Empty
      </button>
    </section>
  );
}
