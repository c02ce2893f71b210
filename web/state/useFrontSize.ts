import { useProjectsQuery } from './projectApi';
import { useScope } from './useScope';

const USUAL = 10;

/** Results of a page that make the front, as the project's settings say. */
export function useFrontSize(): number {
  const { project } = useScope();
  const { data } = useProjectsQuery();
  return data?.find(({ id }) => id === project)?.settings.front ?? USUAL;
}
