import { PLAIN_STYLE, type TitleStyle } from '@opsimath/core/copy/titleStyle';
import { useCallback } from 'react';
import { useTrouble } from '../../parts/words/useTrouble';
import { useChangeProjectMutation } from '../../state/projectApi';
import { surfaceOf } from '../../state/surfaceOf';
import { useScope } from '../../state/useScope';
import { useSettings } from '../../state/useSettings';

/** How titles are written on the surface of a market, the project’s house style; and changing a part of it. */
export function useTitleStyle(market: string): [TitleStyle, (change: Partial<TitleStyle>) => void] {
  const { project } = useScope();
  const [keep] = useChangeProjectMutation();
  const trouble = useTrouble();
  const surface = surfaceOf(market);
  const style = useSettings()?.titleStyles[surface] ?? PLAIN_STYLE;
  const change = useCallback(
    (part: Partial<TitleStyle>): void =>
      void keep({ project, settings: { titleStyles: { [surface]: part } } })
        .unwrap()
        .catch(trouble),
    [keep, project, surface, trouble],
  );
  return [style, change];
}
