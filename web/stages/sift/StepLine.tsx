import type { Marker } from '@opsimath/contract/api/markers';
import type { KeywordList } from '@opsimath/contract/api/lists';
import type { RecipeStep, SiftPage } from '@opsimath/contract/api/sift';
import { useEffect, useRef } from 'react';
import { count } from '../../parts/words/figures';
import { SieveSentence } from './SieveSentence';
import type { UsedRecipe } from './useRecipe';

interface StepLineProps {
  step: RecipeStep;
  place: number;
  last: boolean;
  did: SiftPage['steps'][number] | undefined;
  targets: readonly string[];
  lists: readonly KeywordList[];
  markers: readonly Marker[];
  reasons: readonly string[];
  recipe: UsedRecipe;
  /** Whether it was added just now: what it asks for is typed at once. */
  fresh: boolean;
  /** Whether what it removed is shown. */
  opened: boolean;
  onOpen: () => void;
}

/** One sieve of the recipe: its sentence, how many go in and come out, and what it took. */
export function StepLine({
  step,
  place,
  last,
  did,
  targets,
  lists,
  markers,
  reasons,
  recipe,
  fresh,
  opened,
  onOpen,
}: StepLineProps) {
  const sentence = useRef<HTMLDivElement>(null);
  useEffect(() => {
    if (!fresh) return;
    // What is typed first is a word or a figure, where there is one to type.
    const inputs = [...(sentence.current?.querySelectorAll('input') ?? [])];
    (inputs.find((input) => input.getAttribute('role') !== 'combobox') ?? inputs[0])?.focus();
  }, [fresh]);
  const taken = did ? did.in - did.out : 0;
  return (
    <li
      className={step.on ? 'step' : 'step off'}
      tabIndex={0}
      aria-label={`Sieve ${place + 1}`}
      onDragOver={(event) => event.preventDefault()}
      onDrop={(event) => {
        event.preventDefault();
        void recipe.move(event.dataTransfer.getData('text/plain'), place);
      }}
      onKeyDown={(event) => {
        if (!event.altKey || (event.key !== 'ArrowUp' && event.key !== 'ArrowDown')) return;
        event.preventDefault();
        void recipe.move(step.id, place + (event.key === 'ArrowUp' ? -1 : 1));
      }}
    >
      <div className="step-line">
        <span
          className="grip"
          draggable
          title="Drag to another place, or Alt ↑ and Alt ↓"
          aria-hidden
          onDragStart={(event) => event.dataTransfer.setData('text/plain', step.id)}
        >
          ⠿
        </span>
        <button
          className="plain"
          role="checkbox"
          aria-checked={step.on}
          aria-label={`Sieve ${place + 1} on`}
          onClick={() => void recipe.turn(step.id)}
        >
          <span className={step.on ? 'tick on' : 'tick'} />
        </button>
        <div className="sentence" ref={sentence}>
          <SieveSentence
            sieve={step.sieve}
            targets={targets}
            lists={lists}
            markers={markers}
            reasons={reasons}
            onChange={(sieve) => void recipe.setSieve(step.id, sieve)}
          />
        </div>
        <span className="step-counts" aria-label={`${did?.in ?? 0} in, ${did?.out ?? 0} out`}>
          <span className="faint">{count(did?.in)} →</span> <b>{count(did?.out)}</b>
        </span>
      </div>
      {did?.problem && (
        <div className="step-problem" role="alert">
          {did.problem} <span className="faint">Until then it lets everything through.</span>
        </div>
      )}
      {did?.belowGoal && (
        <div className="step-problem">From here on fewer than the {count(recipe.goal)} that are wanted.</div>
      )}
      {did && did.takesFits.length > 0 && (
        <div className="step-problem">
          It takes {did.takesFits.length === 1 ? 'a fit that is' : `${did.takesFits.length} fits that are`}{' '}
          among the 20 most searched: {did.takesFits.map(({ text }) => text).join(', ')}.
        </div>
      )}
      <div className="step-acts">
        {taken > 0 && (
          <button className="plain written" aria-pressed={opened} onClick={onOpen}>
            {opened ? 'hide what it removed' : `what it removed: ${count(taken)}`}
          </button>
        )}
        <span className="step-moves">
          <button
            className="plain soft"
            aria-label={`Move sieve ${place + 1} up`}
            disabled={place === 0}
            onClick={() => void recipe.move(step.id, place - 1)}
          >
            ↑
          </button>
          <button
            className="plain soft"
            aria-label={`Move sieve ${place + 1} down`}
            disabled={last}
            onClick={() => void recipe.move(step.id, place + 1)}
          >
            ↓
          </button>
          <button
            className="plain soft"
            aria-label={`Take sieve ${place + 1} away`}
            onClick={() => void recipe.drop(step.id)}
          >
            remove
          </button>
        </span>
      </div>
    </li>
  );
}
