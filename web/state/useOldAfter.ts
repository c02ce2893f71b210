import { type ProjectSettings, projectSettings } from '@opsimath/contract/api/projects';
import { useProjectsQuery } from './projectApi';
import { useScope } from './useScope';

const DEFAULTS = projectSettings.parse({});

/** Days after which a held figure of this surface is old in the open project. */
export function useOldAfter(surface: keyof ProjectSettings['oldAfter']): number {
  const { project } = useScope();
  const { data: projects } = useProjectsQuery();
  return (projects?.find((entry) => entry.id === project)?.settings ?? DEFAULTS).oldAfter[surface];
}
