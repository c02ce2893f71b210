import type { ProjectSettings } from '@opsimath/contract/api/projects';
import { useProjectsQuery } from './projectApi';
import { useScope } from './useScope';

/** Settings of the open project; `undefined` until they are known. */
export function useSettings(): ProjectSettings | undefined {
  const { project } = useScope();
  const { data: projects } = useProjectsQuery();
  return projects?.find(({ id }) => id === project)?.settings;
}
