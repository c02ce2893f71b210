import type { Draft, DraftChange, WrittenText } from '@opsimath/contract/api/drafts';
import type { DraftField } from '@opsimath/core/copy/draftFields';
import { Button, Input, Modal, Upload } from 'antd';
import { useState } from 'react';
import { useTrouble } from '../../parts/words/useTrouble';
import { useReadWrittenMutation } from '../../state/draftsApi';
import { Differences } from './Differences';
import { t } from '../../words/t';

interface BringTextProps {
  draft: Draft;
  fields: readonly DraftField[];
  onChange: (change: Omit<DraftChange, 'revision' | 'person'>) => void;
  onClose: () => void;
}

/** A text that a writer gave back, pasted or as a file, seen field by field before it is taken. */
export function BringText({ draft, fields, onChange, onClose }: BringTextProps) {
  const [text, write] = useState('');
  const [read, show] = useState<WrittenText | null>(null);
  const trouble = useTrouble();
  const [readWritten] = useReadWrittenMutation();
  const look = async (body: Blob): Promise<void> => {
    try {
      show(await readWritten(body).unwrap());
    } catch (error) {
      trouble(error);
    }
  };
  const names = new Set(fields.map(({ name }) => name));
  const taken = Object.fromEntries(
    Object.entries(read ?? {}).filter(([name, value]) => names.has(name) && value.trim() !== ''),
  );
  const next = { ...draft.fields, ...taken };
  return (
    <Modal
      open
      width={820}
      title={<span className="serif">{t('drafts:BringText.bringATextIn')}</span>}
      okText={t('drafts:BringText.takeIt')}
      okButtonProps={{ disabled: read === null || Object.keys(taken).length === 0 }}
      onOk={() => {
        onChange({ fields: next });
        onClose();
      }}
      onCancel={onClose}
    >
      <p className="soft">{t('drafts:BringText.markdownHTMLOrDOCXTheFirst')}</p>
      <Input.TextArea
        aria-label={t('drafts:BringText.text')}
        placeholder={t('drafts:BringText.pasteItHere')}
        autoSize={{ minRows: 4, maxRows: 12 }}
        value={text}
        onChange={({ target }) => write(target.value)}
      />
      <p>
        <Button size="small" disabled={text.trim() === ''} onClick={() => void look(new Blob([text]))}>
          {t('drafts:BringText.readWhatIsPasted')}
        </Button>{' '}
        <Upload
          accept=".md,.markdown,.txt,.html,.htm,.docx"
          showUploadList={false}
          beforeUpload={(file) => {
            void look(file);
            return false;
          }}
        >
          <Button size="small">{t('drafts:BringText.orChooseAFile')}</Button>
        </Upload>
      </p>
      {read && <Differences before={draft.fields} after={next} names={['now', 'then']} />}
    </Modal>
  );
}
