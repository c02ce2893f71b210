import { Modal } from 'antd';
import { CommandList } from './CommandList';
import { t } from '../../words/t';

/** Ctrl+K: go anywhere, find anything, check a keyword that comes to mind, run an action. */
export function CommandBox({ onClose, onKeys }: { onClose: () => void; onKeys: () => void }) {
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
      <CommandList onClose={onClose} onKeys={onKeys} />
    </Modal>
  );
}
