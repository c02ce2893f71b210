import { projectSettings } from '@opsimath/contract/api/projects';

/** Settings as a project begins with them. */
export const DEFAULTS = projectSettings.parse({});

/** Says the usual value beside one that was changed. */
export function Usual({ value, usual }: { value: unknown; usual: unknown }) {
  return value === usual ? null : <span className="faint"> usual {String(usual)}</span>;
}
