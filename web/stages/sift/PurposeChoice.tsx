import type { SiftRow } from '@opsimath/contract/api/sift';
import { PURPOSES, type Purpose } from '@opsimath/core/sift/purpose';
import { Select } from 'antd';
import { useTrouble } from '../../parts/words/useTrouble';
import { request } from '../../state/operations';
import { siftApi, useSayPurposeMutation } from '../../state/siftApi';
import { useAppSelector } from '../../state/store';
import { useUndoable } from '../../state/undoStacks';
import { useScope } from '../../state/useScope';
import { t, wordOf } from '../../words/t';

const BY_RULE = 'by rule';

/** What a search is for, with the evidence as its tip: read by rules until somebody says otherwise. */
export function PurposeChoice({ row }: { row: Pick<SiftRow, 'id' | 'text' | 'purpose'> }) {
  const { project } = useScope();
  const person = useAppSelector((state) => state.preferences.person);
  const [say] = useSayPurposeMutation();
  const undoable = useUndoable(project);
  const trouble = useTrouble();
  const { purpose, evidence, byHand } = row.purpose;
  const choose = async (next: Purpose | typeof BY_RULE): Promise<void> => {
    const ask = (to: Purpose | null) => ({ project, keyword: row.id, purpose: to, person });
    const [now, before] = [ask(next === BY_RULE ? null : next), ask(byHand ? purpose : null)];
    await say(now).unwrap();
    const { sayPurpose } = siftApi.endpoints;
    undoable({
      what: t('sift:PurposeChoice.thePurposeOfText', { text: row.text }),
      undo: request(sayPurpose, before),
      redo: request(sayPurpose, now),
    });
  };
  return (
    <Select<Purpose | typeof BY_RULE>
      size="small"
      variant="borderless"
      className="written purpose-choice"
      aria-label={t('sift:PurposeChoice.purposeOfText', { text: row.text })}
      title={evidence}
      popupMatchSelectWidth={false}
      value={purpose}
      options={[
        ...PURPOSES.map((value) => ({ value, label: wordOf(value) })),
        ...(byHand ? [{ value: BY_RULE, label: t('sift:PurposeChoice.asTheRulesReadIt') } as const] : []),
      ]}
      onChange={(next) => void choose(next).catch(trouble)}
    />
  );
}
