import type { Draft, DraftChange, WrittenText } from '@opsimath/contract/api/drafts';
import type { DraftField } from '@opsimath/core/copy/draftFields';
import { Button, Input, Modal, Upload } from 'antd';
import { useState } from 'react';
import { useTrouble } from '../../parts/words/useTrouble';
import { useReadWrittenMutation } from '../../state/draftsApi';
import { Differences } from './Differences';

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
      title={<span className="serif">Bring a text in</span>}
      okText="Take it"
      okButtonProps={{ disabled: read === null || Object.keys(taken).length === 0 }}
      onOk={() => {
        onChange({ fields: next });
        onClose();
      }}
      onCancel={onClose}
    >
      <p className="soft">
        Markdown, HTML or DOCX. The first heading is the title, a line “Description: …” the description. Once
        taken it is checked like what is typed.
      </p>
      <Input.TextArea
        aria-label="Text"
        placeholder="Paste it here"
        autoSize={{ minRows: 4, maxRows: 12 }}
        value={text}
        onChange={({ target }) => write(target.value)}
      />
      <p>
        <Button size="small" disabled={text.trim() === ''} onClick={() => void look(new Blob([text]))}>
          Read what is pasted
        </Button>{' '}
        <Upload
          accept=".md,.markdown,.txt,.html,.htm,.docx"
          showUploadList={false}
          beforeUpload={(file) => {
            void look(file);
            return false;
          }}
        >
          <Button size="small">Or choose a file…</Button>
        </Upload>
      </p>
      {read && <Differences before={draft.fields} after={next} names={['now', 'then']} />}
    </Modal>
  );
}
