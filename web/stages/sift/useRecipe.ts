import type { LookUp } from '@opsimath/contract/api/lookUps';
import type { Recipe, RecipeChange, RecipeStep, Sieve } from '@opsimath/contract/api/sift';
import { request } from '../../state/operations';
import {
  siftApi,
  useAddRecipeMutation,
  useChangeRecipeMutation,
  useRecipesQuery,
  useRemoveRecipeMutation,
} from '../../state/siftApi';
import { useAppSelector } from '../../state/store';
import { useUndoable } from '../../state/undoStacks';
import { useScope } from '../../state/useScope';
import { movedSteps } from './movedSteps';
import { t } from '../../words/t';

const NO_STEPS: RecipeStep[] = [];
const NO_IDS: number[] = [];

/** The recipe in the address and how to change it; every change can be taken back. Without one nothing is hidden. */
export function useRecipe(lookUp: LookUp) {
  const { project, scope, change: changeScope } = useScope();
  const { data: recipes } = useRecipesQuery(project);
  const [add] = useAddRecipeMutation();
  const [save] = useChangeRecipeMutation();
  const [remove] = useRemoveRecipeMutation();
  const person = useAppSelector((state) => state.preferences.person);
  const undoable = useUndoable(project);
  const recipe = recipes?.find(({ id }) => id === scope.recipe) ?? null;

  const change = async (what: string, next: RecipeChange): Promise<void> => {
    const { changeRecipe } = siftApi.endpoints;
    if (recipe === null) {
      const made = await add({
        project,
        entry: { name: t('sift:useRecipe.forName', { name: lookUp.name }), ...next },
      }).unwrap();
      changeScope({ recipe: made.id }, { replace: true });
      const asked = (parts: RecipeChange) =>
        request(changeRecipe, {
          project,
          recipe: made.id,
          change: { ...parts, revision: made.revision, person },
        });
      undoable({ what, undo: asked(emptied(next)), redo: asked(next) });
      return;
    }
    const before = partsOf(recipe, next);
    // On the revision that is shown: what others changed meanwhile is merged, or refused where it clashes.
    const asked = (parts: RecipeChange, revision: number) => ({
      project,
      recipe: recipe.id,
      change: { ...parts, revision, person },
    });
    const { revision } = await save(asked(next, recipe.revision)).unwrap();
    undoable({
      what,
      undo: request(changeRecipe, asked(before, revision)),
      redo: request(changeRecipe, asked(next, recipe.revision)),
    });
  };
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
      await change(t('sift:useRecipe.addASieve'), { steps: [...steps, { id, on: true, sieve }] });
      return id;
    },
    setSieve: (id: string, sieve: Sieve) =>
      change(t('sift:useRecipe.changeASieve'), {
        steps: steps.map((step) => (step.id === id ? { ...step, sieve } : step)),
      }),
    turn: (id: string) =>
      change(t('sift:useRecipe.turnASieveOnOrOff'), {
        steps: steps.map((step) => (step.id === id ? { ...step, on: !step.on } : step)),
      }),
    turnAll: (on: boolean) =>
      change(
        t('sift:useRecipe.turnAllSievesWhich', {
          which: on ? t('sift:useRecipe.on') : t('sift:useRecipe.off'),
        }),
        { steps: steps.map((step) => ({ ...step, on })) },
      ),
    drop: (id: string) =>
      change(t('sift:useRecipe.takeASieveAway'), { steps: steps.filter((step) => step.id !== id) }),
    move: (id: string, to: number) =>
      change(t('sift:useRecipe.moveASieve'), { steps: movedSteps(steps, id, to) }),
    rescue: (...keywords: number[]) =>
      change(
        keywords.length === 1
          ? t('sift:useRecipe.rescueAKeyword')
          : t('sift:useRecipe.rescueKeywordsKeywords', { keywords: keywords.length }),
        {
          rescued: [...new Set([...rescued, ...keywords])],
        },
      ),
    release: (keyword: number) =>
      change(t('sift:useRecipe.giveUpARescuedKeyword'), { rescued: rescued.filter((id) => id !== keyword) }),
  };
}
export type UsedRecipe = ReturnType<typeof useRecipe>;

/** What a recipe holds now of the parts that a change names. */
function partsOf(recipe: Recipe, change: RecipeChange): RecipeChange {
  return Object.fromEntries(Object.keys(change).map((name) => [name, recipe[name as keyof Recipe]]));
}

function emptied(change: RecipeChange): RecipeChange {
  return { ...(change.steps && { steps: [] }), ...(change.rescued && { rescued: [] }) };
}
