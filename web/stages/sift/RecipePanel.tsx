import type { SiftPage } from '@opsimath/contract/api/sift';
import { Button, Dropdown, Select } from 'antd';
import { useState } from 'react';
import { count } from '../../parts/words/figures';
import { useProjectsQuery } from '../../state/projectApi';
import { useListsQuery } from '../../state/siftApi';
import { useMarkersQuery } from '../../state/variantsApi';
import { useScope } from '../../state/useScope';
import { LineInput, NumberInput } from './sentenceInputs';
import { NEW_SIEVES } from './newSieves';
import { StepLine } from './StepLine';
import type { UsedRecipe } from './useRecipe';

interface RecipePanelProps {
  recipe: UsedRecipe;
  page: SiftPage | undefined;
}

/** The recipe at the left: its name and goal, its sieves in their order, and what each of them does. */
export function RecipePanel({ recipe, page }: RecipePanelProps) {
  const { project, scope, change } = useScope();
  const { data: lists } = useListsQuery(project);
  const { data: markers } = useMarkersQuery(project);
  const { data: projects } = useProjectsQuery();
  const reasons = ['', ...(projects?.find(({ id }) => id === project)?.settings.verdictReasons ?? [])];
  const [added, setAdded] = useState<string | null>(null);
  const anyOn = recipe.steps.some(({ on }) => on);
  const open = scope.view.startsWith('removed-') ? scope.view.slice(8) : null;
  return (
    <section className="sheet recipe" aria-label="Recipe">
      <div className="recipe-head">
        <Select
          size="small"
          aria-label="Recipe"
          popupMatchSelectWidth={false}
          value={recipe.recipe?.id ?? 0}
          options={[
            { value: 0, label: 'No recipe: nothing is hidden' },
            ...recipe.recipes.map(({ id, name }) => ({ value: id, label: name })),
          ]}
          onChange={(id) => change({ recipe: id === 0 ? null : id, view: '' })}
        />
        {recipe.recipe && (
          <button
            className="plain soft written"
            onClick={() => void recipe.takeAway().catch(() => undefined)}
          >
            remove
          </button>
        )}
      </div>
      {recipe.recipe && (
        <p className="recipe-name">
          <LineInput
            name="Name of the recipe"
            value={recipe.recipe.name}
            onChange={(name) => name.trim() !== '' && void recipe.change('name the recipe', { name })}
          />
          <span className="soft">
            wanted{' '}
            <NumberInput
              name="Keywords wanted"
              value={recipe.goal}
              onChange={(goal) =>
                goal !== null && goal >= 1 && void recipe.change('set the goal', { goal: Math.round(goal) })
              }
            />
          </span>
        </p>
      )}
      <div className="pool-in">
        <span>in the pool</span>
        {recipe.steps.length > 1 && (
          <button
            className="plain soft written"
            title={anyOn ? 'Nothing is hidden until they are on again' : 'Every sieve is in force again'}
            onClick={() => void recipe.turnAll(!anyOn)}
          >
            {anyOn ? 'all sieves off' : 'all sieves on'}
          </button>
        )}
        <b>{count(page?.all)}</b>
      </div>
      <ol className="steps">
        {recipe.steps.map((step, place) => (
          <StepLine
            key={step.id}
            step={step}
            place={place}
            last={place === recipe.steps.length - 1}
            did={page?.steps[place]}
            targets={page?.targets ?? []}
            lists={lists ?? []}
            markers={markers ?? []}
            reasons={reasons}
            recipe={recipe}
            fresh={added === step.id}
            opened={open === step.id}
            onOpen={() => change({ view: open === step.id ? '' : `removed-${step.id}` }, { replace: true })}
          />
        ))}
      </ol>
      {recipe.recipe?.before && (
        <button
          className="plain soft written"
          title="What came through before the sieves were changed last, and what differs now"
          onClick={() => change({ view: scope.view === 'difference' ? '' : 'difference' }, { replace: true })}
        >
          what the last change did
        </button>
      )}
      {recipe.rescued.length > 0 && (
        <p className="soft">
          {count(recipe.rescued.length)} rescued: they come through whatever the sieves say.
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
        <Button size="small">Add a sieve</Button>
      </Dropdown>
    </section>
  );
}
