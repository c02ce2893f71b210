import type { ProjectSettings } from '@opsimath/contract/api/projects';
import { USUAL_SETTINGS } from '@opsimath/contract/api/usualSettings';
import { useSettings } from './useSettings';

/** Days after which a held figure of this surface is old in the open project. */
export function useOldAfter(surface: keyof ProjectSettings['oldAfter']): number {
  return (useSettings() ?? USUAL_SETTINGS).oldAfter[surface];
}
