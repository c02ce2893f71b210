import type { SiftRow } from '@opsimath/contract/api/sift';
import { Button, Select } from 'antd';
import { useState } from 'react';
import { useKeys } from '../../parts/keys/useKeys';
import { useTrouble } from '../../parts/words/useTrouble';
import { useUndoable } from '../../state/undoStacks';
import { useScope } from '../../state/useScope';
import { usePlacesAside } from './usePlacesAside';
import { Told } from '../../words/Told';
import { t } from '../../words/t';

/** Keeps a side topic: one key puts the keyword into a list, to a target of ours or into another project, whatever its verdict here. */
export function PutAside({ market, keyword }: { market: string; keyword: SiftRow }) {
  const { project } = useScope();
  const remembered = `opsimath.put-aside.${project}.${market}`;
  const places = usePlacesAside(market);
  const undoable = useUndoable(project);
  const trouble = useTrouble();
  const [chosen, setChosen] = useState(() => localStorage.getItem(remembered) ?? '');
  const [kept, setKept] = useState<string | null>(null);
  const place = places.flatMap(({ options }) => options).find(({ value }) => value === chosen);
  const putAside = (): void => {
    if (!place) return;
    place.put(keyword).then((done) => {
      setKept(done.what);
      undoable(done);
    }, trouble);
  };
  useKeys('e', putAside, [place?.value, keyword.id]);
  if (places.length === 0) return null;
  return (
    <p className="put-aside soft">
      <Select
        size="small"
        allowClear
        aria-label={t('sift:PutAside.whereSideTopicsGo')}
        placeholder={t('sift:PutAside.whereSideTopicsGo2')}
        style={{ width: 220 }}
        popupMatchSelectWidth={false}
        value={place?.value}
        options={places.map(({ label, options }) => ({
          label,
          options: options.map(({ value, label: name }) => ({ value, label: name })),
        }))}
        onChange={(value?: string) => {
          setChosen(value ?? '');
          localStorage.setItem(remembered, value ?? '');
        }}
      />{' '}
      <Button size="small" disabled={!place} onClick={putAside}>
        <Told id="sift:PutAside.putAsideE" parts={{ kbd: <kbd /> }} />
      </Button>{' '}
      {kept !== null && <span role="status">{kept}.</span>}
    </p>
  );
}
