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
import { t, wordOf } from '../../words/t';

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
      what: `${on ? t('parts:Markers.mark') : t('parts:Markers.unmark')} ${changed.length}: ${name}`,
      undo: again(!on),
      redo: again(on),
    });
  };
  const takeAway = async (marker: number, name: string): Promise<void> => {
    await remove({ project, marker }).unwrap();
    undoable({
      what: t('parts:Markers.theMarkerNameRemoved', { name }),
      undo: request(variantsApi.endpoints.bringMarkerBack, { project, marker }),
      redo: request(variantsApi.endpoints.removeMarker, { project, marker }),
    });
  };
  return (
    <div className="mark-menu">
      {keywords.length === 0 && <p className="soft">{t('parts:Markers.tickRowsFirstThenAMarker')}</p>}
      {markers?.map(({ id, name, shape, keywords: held }) => (
        <div key={id} className="mark-line">
          <MarkerShapeMark shape={shape} name={name} /> <b>{name}</b>
          <span className="faint">{count(held)}</span>
          <button
            className="plain written"
            disabled={keywords.length === 0}
            onClick={() => void put(id, name, true).catch(() => undefined)}
          >
            {t('parts:Markers.putOn')}
          </button>
          <button
            className="plain written"
            disabled={keywords.length === 0}
            onClick={() => void put(id, name, false).catch(() => undefined)}
          >
            {t('parts:Markers.takeOff')}
          </button>
          <button
            className="plain soft written"
            aria-label={t('parts:Markers.takeTheMarkerNameAway', { name })}
            title={t('parts:Markers.takesTheMarkerAwayFromAll')}
            onClick={() => void takeAway(id, name).catch(() => undefined)}
          >
            {t('parts:Markers.remove')}
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
        aria-label={t('parts:Markers.shapeOfTheMarker')}
        value={shape}
        options={MARKER_SHAPES.map((value) => ({
          value,
          label: (
            <>
              <MarkerShapeMark shape={value} name={wordOf(value)} /> {wordOf(value)}
            </>
          ),
        }))}
        popupMatchSelectWidth={false}
        onChange={setShape}
      />
      <Input
        size="small"
        aria-label={t('parts:Markers.nameOfTheMarker')}
        placeholder={t('parts:Markers.newMarker')}
        maxLength={60}
        value={name}
        onChange={(event) => setName(event.target.value)}
      />
      <Button size="small" htmlType="submit" disabled={name.trim() === ''}>
        {t('parts:Markers.add')}
      </Button>
      {error && <Problem error={error} />}
    </form>
  );
}
