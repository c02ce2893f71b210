import { Input } from 'antd';
import type { LookUpDraft } from './useLookUpDraft';

interface ListPartProps {
  draft: LookUpDraft;
  onChange: (change: Partial<LookUpDraft>) => void;
}

/** Keywords that are known already: they get their figures, nothing is added. */
export function ListPart({ draft, onChange }: ListPartProps) {
  const lines = draft.list.split(/[\n\r]+/).filter((line) => line.trim() !== '').length;
  return (
    <>
      <p className="faint">Figures for keywords you know, in their order; nothing is added.</p>
      <Input.TextArea
        aria-label="Keywords, one a line"
        placeholder="Keywords, one a line"
        autoSize={{ minRows: 4, maxRows: 10 }}
        value={draft.list}
        onChange={(event) => onChange({ list: event.target.value })}
      />
      {lines > 0 && <div className="faint">{lines} lines</div>}
    </>
  );
}
