import { Modal } from 'antd';
import { CommandList } from './CommandList';
import { t } from '../../words/t';

interface CommandBoxProps {
  /** What was typed before the box was there. */
  begun: () => string;
  onClose: () => void;
  onKeys: () => void;
}

/** Ctrl+K: go anywhere, find anything, check a keyword that comes to mind, run an action. */
export function CommandBox({ begun, onClose, onKeys }: CommandBoxProps) {
  return (
    <Modal
      open
      onCancel={onClose}
      footer={null}
      closable={false}
      destroyOnHidden
      width={560}
      style={{ top: 90 }}
      aria-label={t('shell:CommandBox.goTo')}
    >
      <CommandList begun={begun} onClose={onClose} onKeys={onKeys} />
    </Modal>
  );
}
