import { Input } from 'antd';
import type { LookUpDraft } from './useLookUpDraft';
import { t } from '../../words/t';

interface ListPartProps {
  draft: LookUpDraft;
  onChange: (change: Partial<LookUpDraft>) => void;
}

/** Keywords that are known already: they get their figures, nothing is added. */
export function ListPart({ draft, onChange }: ListPartProps) {
  const lines = draft.list.split(/[\n\r]+/).filter((line) => line.trim() !== '').length;
  return (
    <>
      <p className="faint">{t('lookup:ListPart.figuresForKeywordsYouKnowIn')}</p>
      <Input.TextArea
        aria-label={t('lookup:ListPart.keywordsOneALine')}
        placeholder={t('lookup:ListPart.keywordsOneALine')}
        autoSize={{ minRows: 4, maxRows: 10 }}
        value={draft.list}
        onChange={(event) => onChange({ list: event.target.value })}
      />
      {lines > 0 && <div className="faint">{t('lookup:ListPart.linesLines', { lines })}</div>}
    </>
  );
}
