import { t } from '../../words/t';

/** Says the usual value beside one that was changed. */
export function Usual({ value, usual }: { value: unknown; usual: unknown }) {
  return value === usual ? null : (
    <span className="faint"> {t('roster:Usual.usualUsual', { usual: String(usual) })}</span>
  );
}
