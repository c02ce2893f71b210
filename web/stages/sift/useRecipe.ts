import type { LookUp } from '@opsimath/contract/api/lookUps';
import type { RecipeStep, Sieve } from '@opsimath/contract/api/sift';
import { request } from '../../state/operations';
import { siftApi, useRecipesQuery, useRemoveRecipeMutation } from '../../state/siftApi';
import { useUndoable } from '../../state/undoStacks';
import { useScope } from '../../state/useScope';
import { movedSteps } from './movedSteps';
import { useRecipeChange } from './useRecipeChange';
import { t } from '../../words/t';

const NO_STEPS: RecipeStep[] = [];
const NO_IDS: number[] = [];

/** The recipe in the address and how to change it; every change can be taken back. Without one nothing is hidden. */
export function useRecipe(lookUp: LookUp) {
  const { project, scope, change: changeScope } = useScope();
  const { data: recipes } = useRecipesQuery(project);
  const change = useRecipeChange(lookUp);
  const [remove] = useRemoveRecipeMutation();
  const undoable = useUndoable(project);
  const recipe = recipes?.find(({ id }) => id === scope.recipe) ?? null;

  /** Takes the recipe away; that can be taken back as well. */
  const takeAway = async (): Promise<void> => {
    if (recipe === null) return;
    const { id, name } = recipe;
    changeScope({ recipe: null, view: '' });
    await remove({ project, recipe: id }).unwrap();
    undoable({
      what: t('sift:useRecipe.theRecipeNameRemoved', { name }),
      undo: request(siftApi.endpoints.bringRecipeBack, { project, recipe: id }),
      redo: request(siftApi.endpoints.removeRecipe, { project, recipe: id }),
    });
  };
  const steps = recipe?.steps ?? NO_STEPS;
  const rescued = recipe?.rescued ?? NO_IDS;
  return {
    recipe,
    recipes: recipes ?? [],
    steps,
    rescued,
    /** Sieves and rescued keywords before the last change of the sieves. */
    before: recipe?.before ?? null,
    goal: recipe?.goal ?? 50,
    change,
    takeAway,
    /** Puts a sieve at the end and gives its id. */
    addSieve: async (sieve: Sieve): Promise<string> => {
      const id = crypto.randomUUID().slice(0, 8);
      await change(t('sift:useRecipe.addASieve'), (now) => ({ steps: [...now, { id, on: true, sieve }] }));
      return id;
    },
    setSieve: (id: string, sieve: Sieve) =>
      change(t('sift:useRecipe.changeASieve'), (now) => ({
        steps: now.map((step) => (step.id === id ? { ...step, sieve } : step)),
      })),
    turn: (id: string) =>
      change(t('sift:useRecipe.turnASieveOnOrOff'), (now) => ({
        steps: now.map((step) => (step.id === id ? { ...step, on: !step.on } : step)),
      })),
    turnAll: (on: boolean) =>
      change(
        t('sift:useRecipe.turnAllSievesWhich', {
          which: on ? t('sift:useRecipe.on') : t('sift:useRecipe.off'),
        }),
        (now) => ({ steps: now.map((step) => ({ ...step, on })) }),
      ),
    drop: (id: string) =>
      change(t('sift:useRecipe.takeASieveAway'), (now) => ({ steps: now.filter((step) => step.id !== id) })),
    move: (id: string, to: number) =>
      change(t('sift:useRecipe.moveASieve'), (now) => ({ steps: movedSteps(now, id, to) })),
    rescue: (...keywords: number[]) =>
      change(
        keywords.length === 1
          ? t('sift:useRecipe.rescueAKeyword')
          : t('sift:useRecipe.rescueKeywordsKeywords', { keywords: keywords.length }),
        (_, now) => ({ rescued: [...new Set([...now, ...keywords])] }),
      ),
    release: (keyword: number) =>
      change(t('sift:useRecipe.giveUpARescuedKeyword'), (_, now) => ({
        rescued: now.filter((id) => id !== keyword),
      })),
  };
}
export type UsedRecipe = ReturnType<typeof useRecipe>;
