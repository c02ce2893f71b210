import { useLocation } from 'react-router';
import { useLookUpsQuery } from './lookUpApi';
import { useListsQuery, useRecipesQuery } from './siftApi';
import { STAGE_NAMES } from './stageParts';
import { useScope } from './useScope';
import { t } from '../words/t';

/** Where a keyword is being picked, in words: the stage, the look-up or list that is open, the recipe, what was sought. */
export function usePickedFrom(): string {
  const { project, scope } = useScope();
  const { pathname } = useLocation();
  const stage = pathname.split('/')[3] ?? '';
  const lookUp = useLookUpsQuery(project).data?.find(
    ({ id }) => id === (stage === 'gaps' ? scope.pool : scope.lookUp),
  );
  const recipe = useRecipesQuery(project).data?.find(({ id }) => id === scope.recipe);
  const list = useListsQuery(project).data?.find(({ id }) => id === scope.list);
  const find = stage === 'gaps' ? scope.find : scope.poolFind;
  return [
    t('shell:usePickedFrom.pickedInWhich', {
      which:
        stage in STAGE_NAMES
          ? STAGE_NAMES[stage as keyof typeof STAGE_NAMES]
          : t('shell:usePickedFrom.opsimath'),
    }),
    stage === 'gaps' && list && `“${list.name}”`,
    lookUp && `${lookUp.name}, ${lookUp.date}`,
    stage === 'sift' && recipe && t('shell:usePickedFrom.throughName', { name: recipe.name }),
    find.trim() !== '' && t('shell:usePickedFrom.foundByFind', { find: find.trim() }),
  ]
    .filter(Boolean)
    .join(', ');
}
