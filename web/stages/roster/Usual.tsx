import { projectSettings } from '@opsimath/contract/api/projects';
import { t } from '../../words/t';

/** Settings as a project begins with them. */
export const DEFAULTS = projectSettings.parse({});

/** Says the usual value beside one that was changed. */
export function Usual({ value, usual }: { value: unknown; usual: unknown }) {
  return value === usual ? null : (
    <span className="faint"> {t('roster:Usual.usualUsual', { usual: String(usual) })}</span>
  );
}
