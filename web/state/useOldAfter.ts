import type { ProjectSettings } from '@opsimath/contract/api/projects';
import { USUAL_SETTINGS } from '@opsimath/contract/api/usualSettings';
import { useProjectsQuery } from './projectApi';
import { useScope } from './useScope';

/** Days after which a held figure of this surface is old in the open project. */
export function useOldAfter(surface: keyof ProjectSettings['oldAfter']): number {
  const { project } = useScope();
  const { data: projects } = useProjectsQuery();
  return (projects?.find((entry) => entry.id === project)?.settings ?? USUAL_SETTINGS).oldAfter[surface];
}
