import {
  DndContext,
  type DragEndEvent,
  PointerSensor,
  closestCenter,
  useSensor,
  useSensors,
} from '@dnd-kit/core';
import { SortableContext, verticalListSortingStrategy } from '@dnd-kit/sortable';
import type { SiftPage } from '@opsimath/contract/api/sift';
import { useListsQuery } from '../../state/siftApi';
import { useScope } from '../../state/useScope';
import { useSettings } from '../../state/useSettings';
import { useMarkersQuery } from '../../state/variantsApi';
import { StepLine } from './StepLine';
import type { UsedRecipe } from './useRecipe';

/** A press moves this far, in pixels, before it carries: until then it is a press. */
const CARRIES_FROM = 4;

interface RecipeStepsProps {
  recipe: UsedRecipe;
  page: SiftPage | undefined;
  /** The sieve that was added last. */
  added: string | null;
}

/** The sieves in their order: carried by mouse, pen or finger, moved by keys and by buttons. */
export function RecipeSteps({ recipe, page, added }: RecipeStepsProps) {
  const { project, scope, change } = useScope();
  const { data: lists } = useListsQuery(project);
  const { data: markers } = useMarkersQuery(project);
  const reasons = ['', ...(useSettings()?.verdictReasons ?? [])];
  const open = scope.view.startsWith('removed-') ? scope.view.slice(8) : null;
  const sensors = useSensors(useSensor(PointerSensor, { activationConstraint: { distance: CARRIES_FROM } }));
  const placed = ({ active, over }: DragEndEvent): void => {
    const place = recipe.steps.findIndex(({ id }) => id === over?.id);
    if (place >= 0 && active.id !== over?.id) void recipe.move(String(active.id), place);
  };
  return (
    <DndContext sensors={sensors} collisionDetection={closestCenter} onDragEnd={placed}>
      <SortableContext items={recipe.steps.map(({ id }) => id)} strategy={verticalListSortingStrategy}>
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
      </SortableContext>
    </DndContext>
  );
}
