import { MARKER_SHAPES, type MarkerShape } from '@opsimath/core/sift/sieve';
import { Button, Input, Select } from 'antd';
import { useState } from 'react';
import { MarkerShapeMark } from '../marks/MarkerShapes';
import { Problem } from '../words/Problem';
import { count } from '../words/figures';
import { request } from '../../state/operations';
import { useUndoable } from '../../state/undoStacks';
import { useScope } from '../../state/useScope';
import {
  useAddMarkerMutation,
  useMarkMutation,
  useMarkersQuery,
  useRemoveMarkerMutation,
  variantsApi,
} from '../../state/variantsApi';
import './act.css';

/** Markers of the project: put on some keywords or taken off them, named anew, taken away. */
export function Markers({ keywords }: { keywords: readonly number[] }) {
  const { project } = useScope();
  const { data: markers } = useMarkersQuery(project);
  const [mark] = useMarkMutation();
  const [remove] = useRemoveMarkerMutation();
  const undoable = useUndoable(project);
  const put = async (marker: number, name: string, on: boolean): Promise<void> => {
    const { changed } = await mark({ project, marker, keywords: [...keywords], on }).unwrap();
    if (changed.length === 0) return;
    const again = (next: boolean) =>
      request(variantsApi.endpoints.mark, { project, marker, keywords: changed, on: next });
    undoable({
      what: `${on ? 'mark' : 'unmark'} ${changed.length}: ${name}`,
      undo: again(!on),
      redo: again(on),
    });
  };
  const takeAway = async (marker: number, name: string): Promise<void> => {
    await remove({ project, marker }).unwrap();
    undoable({
      what: `the marker “${name}” removed`,
      undo: request(variantsApi.endpoints.bringMarkerBack, { project, marker }),
      redo: request(variantsApi.endpoints.removeMarker, { project, marker }),
    });
  };
  return (
    <div className="mark-menu">
      {keywords.length === 0 && <p className="soft">Tick rows first; then a marker can be put on them.</p>}
      {markers?.map(({ id, name, shape, keywords: held }) => (
        <div key={id} className="mark-line">
          <MarkerShapeMark shape={shape} name={name} /> <b>{name}</b>
          <span className="faint">{count(held)}</span>
          <button
            className="plain written"
            disabled={keywords.length === 0}
            onClick={() => void put(id, name, true).catch(() => undefined)}
          >
            put on
          </button>
          <button
            className="plain written"
            disabled={keywords.length === 0}
            onClick={() => void put(id, name, false).catch(() => undefined)}
          >
            take off
          </button>
          <button
            className="plain soft written"
            aria-label={`Take the marker “${name}” away`}
            title="Takes the marker away from all keywords"
            onClick={() => void takeAway(id, name).catch(() => undefined)}
          >
            remove
          </button>
        </div>
      ))}
      <NewMarker />
    </div>
  );
}

function NewMarker() {
  const { project } = useScope();
  const [add, { error }] = useAddMarkerMutation();
  const [name, setName] = useState('');
  const [shape, setShape] = useState<MarkerShape>('star');
  return (
    <form
      className="mark-line"
      onSubmit={(event) => {
        event.preventDefault();
        if (name.trim() === '') return;
        add({ project, entry: { name, shape } })
          .unwrap()
          .then(() => setName(''))
          .catch(() => undefined);
      }}
    >
      <Select
        size="small"
        aria-label="Shape of the marker"
        value={shape}
        options={MARKER_SHAPES.map((value) => ({
          value,
          label: (
            <>
              <MarkerShapeMark shape={value} name={value} /> {value}
            </>
          ),
        }))}
        popupMatchSelectWidth={false}
        onChange={setShape}
      />
      <Input
        size="small"
        aria-label="Name of the marker"
        placeholder="new marker"
        maxLength={60}
        value={name}
        onChange={(event) => setName(event.target.value)}
      />
      <Button size="small" htmlType="submit" disabled={name.trim() === ''}>
        Add
      </Button>
      {error && <Problem error={error} />}
    </form>
  );
}
