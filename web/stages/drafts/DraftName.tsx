import { Input } from 'antd';
import { useScope } from '../../state/useScope';
import { t } from '../../words/t';

/** The way back to all drafts, and the name of this one. */
export function DraftName({ name, onName }: { name: string; onName: (name: string) => void }) {
  const { change } = useScope();
  return (
    <>
      <button className="plain written" onClick={() => change({ draft: null })}>
        {t('drafts:DraftName.drafts')}
      </button>{' '}
      ›{' '}
      <Input
        size="small"
        variant="borderless"
        aria-label={t('drafts:DraftName.nameOfTheDraft')}
        style={{ width: 200 }}
        value={name}
        onChange={({ target }) => target.value.trim() !== '' && onName(target.value)}
      />
    </>
  );
}
