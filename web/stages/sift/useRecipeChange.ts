import type { LookUp } from '@opsimath/contract/api/lookUps';
import type { Recipe, RecipeChange, RecipeStep } from '@opsimath/contract/api/sift';
import { useEffect, useRef } from 'react';
import { useStore } from 'react-redux';
import { request } from '../../state/operations';
import { siftApi, useAddRecipeMutation, useChangeRecipeMutation } from '../../state/siftApi';
import { type State, useAppSelector } from '../../state/store';
import { useUndoable } from '../../state/undoStacks';
import { useScope } from '../../state/useScope';
import { t } from '../../words/t';
import { inTurn } from './inTurn';

/** What is to be, or what it becomes of the sieves and rescued keywords that are held by then. */
type NextParts = RecipeChange | ((steps: RecipeStep[], rescued: number[]) => RecipeChange);

/**
 * Changes the recipe in the address, or begins one; every change can be taken back. One after the other: each is made to
 * what the one before has left, however fast they are asked for.
 */
export function useRecipeChange(lookUp: LookUp): (what: string, next: NextParts) => Promise<void> {
  const { project, scope, change: changeScope } = useScope();
  const [add] = useAddRecipeMutation();
  const [save] = useChangeRecipeMutation();
  const person = useAppSelector((state) => state.preferences.person);
  const undoable = useUndoable(project);
  const store = useStore<State>();
  const shown = useRef(scope.recipe);
  useEffect(() => {
    shown.current = scope.recipe;
  }, [scope.recipe]);
  const changeNow = async (what: string, next: NextParts): Promise<void> => {
    const { changeRecipe } = siftApi.endpoints;
    const kept = siftApi.endpoints.recipes.select(project)(store.getState()).data;
    const held = kept?.find(({ id }) => id === shown.current) ?? null;
    const parts = typeof next === 'function' ? next(held?.steps ?? [], held?.rescued ?? []) : next;
    if (held === null) {
      const made = await add({
        project,
        entry: { name: t('sift:useRecipe.forName', { name: lookUp.name }), ...parts },
      }).unwrap();
      shown.current = made.id;
      changeScope({ recipe: made.id }, { replace: true });
      const asked = (wanted: RecipeChange) =>
        request(changeRecipe, {
          project,
          recipe: made.id,
          change: { ...wanted, revision: made.revision, person },
        });
      undoable({ what, undo: asked(emptied(parts)), redo: asked(parts) });
      return;
    }
    const before = partsOf(held, parts);
    // On the revision that is shown: what others changed meanwhile is merged, or refused where it clashes.
    const asked = (wanted: RecipeChange, revision: number) => ({
      project,
      recipe: held.id,
      change: { ...wanted, revision, person },
    });
    const { revision } = await save(asked(parts, held.revision)).unwrap();
    undoable({
      what,
      undo: request(changeRecipe, asked(before, revision)),
      redo: request(changeRecipe, asked(parts, held.revision)),
    });
  };
  return (what, next) => inTurn(() => changeNow(what, next));
}

/** What a recipe holds now of the parts that a change names. */
function partsOf(recipe: Recipe, change: RecipeChange): RecipeChange {
  return Object.fromEntries(Object.keys(change).map((name) => [name, recipe[name as keyof Recipe]]));
}

function emptied(change: RecipeChange): RecipeChange {
  return { ...(change.steps && { steps: [] }), ...(change.rescued && { rescued: [] }) };
}
