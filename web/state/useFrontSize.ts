import { USUAL_SETTINGS } from '@opsimath/contract/api/usualSettings';
import { useSettings } from './useSettings';

/** Results of a page that make the front, as the project's settings say. */
export function useFrontSize(): number {
  return (useSettings() ?? USUAL_SETTINGS).front;
}
