import { PLAIN_STYLE, type TitleStyle } from '@opsimath/core/copy/titleBuilder';
import { useProjectsQuery } from '../../state/projectApi';
import { surfaceOf } from '../../state/surfaceOf';
import { useScope } from '../../state/useScope';

/** How titles are written on the surface of a market: the project’s house style. */
export function useTitleStyle(market: string): TitleStyle {
  const { project } = useScope();
  const { data: projects } = useProjectsQuery();
  return projects?.find(({ id }) => id === project)?.settings.titleStyles[surfaceOf(market)] ?? PLAIN_STYLE;
}
