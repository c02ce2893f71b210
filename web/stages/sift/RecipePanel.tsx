import type { SiftPage } from '@opsimath/contract/api/sift';
import { Button, Dropdown, Select } from 'antd';
import { useState } from 'react';
import { count } from '../../parts/words/figures';
import { useScope } from '../../state/useScope';
import { LineInput, NumberInput } from './sentenceInputs';
import { NEW_SIEVES } from './newSieves';
import { RecipeSteps } from './RecipeSteps';
import type { UsedRecipe } from './useRecipe';
import { t } from '../../words/t';

interface RecipePanelProps {
  recipe: UsedRecipe;
  page: SiftPage | undefined;
}

/** The recipe at the left: its name and goal, its sieves in their order, and what each of them does. */
export function RecipePanel({ recipe, page }: RecipePanelProps) {
  const { scope, change } = useScope();
  const [added, setAdded] = useState<string | null>(null);
  const anyOn = recipe.steps.some(({ on }) => on);
  return (
    <section className="sheet recipe" aria-label={t('sift:RecipePanel.recipe')}>
      <div className="recipe-head">
        <Select
          size="small"
          aria-label={t('sift:RecipePanel.recipe')}
          popupMatchSelectWidth={false}
          value={recipe.recipe?.id ?? 0}
          options={[
            { value: 0, label: t('sift:RecipePanel.noRecipeNothingIsHidden') },
            ...recipe.recipes.map(({ id, name }) => ({ value: id, label: name })),
          ]}
          onChange={(id) => change({ recipe: id === 0 ? null : id, view: '' })}
        />
        {recipe.recipe && (
          <button
            className="plain soft written"
            onClick={() => void recipe.takeAway().catch(() => undefined)}
          >
            {t('sift:RecipePanel.remove')}
          </button>
        )}
      </div>
      {recipe.recipe && (
        <p className="recipe-name">
          <LineInput
            name={t('sift:RecipePanel.nameOfTheRecipe')}
            value={recipe.recipe.name}
            onChange={(name) =>
              name.trim() !== '' && void recipe.change(t('sift:RecipePanel.nameTheRecipe'), { name })
            }
          />
          <span className="soft">
            {t('sift:RecipePanel.wanted')}{' '}
            <NumberInput
              name={t('sift:RecipePanel.keywordsWanted')}
              value={recipe.goal}
              onChange={(goal) =>
                goal !== null &&
                goal >= 1 &&
                void recipe.change(t('sift:RecipePanel.setTheGoal'), { goal: Math.round(goal) })
              }
            />
          </span>
        </p>
      )}
      <div className="pool-in">
        <span>{t('sift:RecipePanel.inThePool')}</span>
        {recipe.steps.length > 1 && (
          <button
            className="plain soft written"
            title={
              anyOn
                ? t('sift:RecipePanel.nothingIsHiddenUntilTheyAre')
                : t('sift:RecipePanel.everySieveIsInForceAgain')
            }
            onClick={() => void recipe.turnAll(!anyOn)}
          >
            {anyOn ? t('sift:RecipePanel.allSievesOff') : t('sift:RecipePanel.allSievesOn')}
          </button>
        )}
        <b>{count(page?.all)}</b>
      </div>
      <RecipeSteps recipe={recipe} page={page} added={added} />
      {recipe.recipe?.before && (
        <button
          className="plain soft written"
          title={t('sift:RecipePanel.whatCameThroughBeforeTheSieves')}
          onClick={() => change({ view: scope.view === 'difference' ? '' : 'difference' }, { replace: true })}
        >
          {t('sift:RecipePanel.whatTheLastChangeDid')}
        </button>
      )}
      {recipe.rescued.length > 0 && (
        <p className="soft">
          {t('sift:RecipePanel.rescuedRescuedTheyComeThrough', { rescued: count(recipe.rescued.length) })}
        </p>
      )}
      <Dropdown
        autoFocus
        trigger={['click']}
        menu={{
          items: NEW_SIEVES.map(({ name }) => ({ key: name, label: name })),
          onClick: ({ key }) =>
            void recipe
              .addSieve(NEW_SIEVES.find(({ name }) => name === key)!.sieve)
              .then(setAdded)
              .catch(() => undefined),
        }}
      >
        <Button size="small">{t('sift:RecipePanel.addASieve')}</Button>
      </Dropdown>
    </section>
  );
}
