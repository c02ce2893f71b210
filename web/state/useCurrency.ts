import { useProjectsQuery } from './projectApi';
import { useScope } from './useScope';

/** The currency of the open project; empty until it is known. */
export function useCurrency(): string {
  const { project } = useScope();
  const { data: projects } = useProjectsQuery();
  return projects?.find((entry) => entry.id === project)?.settings.currency ?? '';
}
