import { useSortable } from '@dnd-kit/sortable';
import { CSS } from '@dnd-kit/utilities';
import type { Marker } from '@opsimath/contract/api/markers';
import type { KeywordList } from '@opsimath/contract/api/lists';
import type { RecipeStep, SiftPage } from '@opsimath/contract/api/sift';
import { useEffect, useRef } from 'react';
import { count } from '../../parts/words/figures';
import { SieveSentence } from './SieveSentence';
import type { UsedRecipe } from './useRecipe';
import { t } from '../../words/t';

const NAMED = 3;

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
  const { setNodeRef, listeners, transform, transition, isDragging } = useSortable({ id: step.id });
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
      ref={setNodeRef}
      style={{ transform: CSS.Translate.toString(transform), transition }}
      className={`step${step.on ? '' : ' off'}${isDragging ? ' carried' : ''}`}
      tabIndex={0}
      aria-label={t('sift:StepLine.sievePlace', { place: place + 1 })}
      onKeyDown={(event) => {
        if (!event.altKey || (event.key !== 'ArrowUp' && event.key !== 'ArrowDown')) return;
        event.preventDefault();
        void recipe.move(step.id, place + (event.key === 'ArrowUp' ? -1 : 1));
      }}
    >
      <div className="step-line">
        <span className="grip" title={t('sift:StepLine.dragToAnotherPlaceOrAlt')} aria-hidden {...listeners}>
          ⠿
        </span>
        <button
          className="plain"
          role="checkbox"
          aria-checked={step.on}
          aria-label={t('sift:StepLine.sievePlaceOn', { place: place + 1 })}
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
      </div>
      {did?.problem && (
        <div className="step-problem" role="alert">
          {did.problem} <span className="faint">{t('sift:StepLine.untilThenItLetsEverythingThrough')}</span>
        </div>
      )}
      {did?.belowGoal && (
        <div className="step-problem">
          {t('sift:StepLine.fromHereOnFewerThanThe', { goal: count(recipe.goal) })}
        </div>
      )}
      {did && did.takesFits.length > 0 && (
        <div className="step-problem">
          {t('sift:StepLine.itTakesWhichAmongThe20', {
            which:
              did.takesFits.length === 1
                ? t('sift:StepLine.aFitThatIs')
                : t('sift:StepLine.takesFitsFitsThatAre', { takesFits: did.takesFits.length }),
            takesFits: fitsNamed(did.takesFits.map(({ text }) => text)),
          })}
        </div>
      )}
      <div className="step-acts">
        <span
          className="step-counts"
          aria-label={t('sift:StepLine.inInOutOut', { in: did?.in ?? 0, out: did?.out ?? 0 })}
        >
          <span className="faint">
            {count(did?.in)}
            {' →'}
          </span>{' '}
          <b>{count(did?.out)}</b>
        </span>
        {taken > 0 && (
          <button className="plain written" aria-pressed={opened} onClick={onOpen}>
            {opened
              ? t('sift:StepLine.hideWhatItRemoved')
              : t('sift:StepLine.whatItRemovedTaken', { taken: count(taken) })}
          </button>
        )}
        <span className="step-moves">
          <button
            className="plain soft"
            aria-label={t('sift:StepLine.moveSievePlaceUp', { place: place + 1 })}
            disabled={place === 0}
            onClick={() => void recipe.move(step.id, place - 1)}
          >
            ↑
          </button>
          <button
            className="plain soft"
            aria-label={t('sift:StepLine.moveSievePlaceDown', { place: place + 1 })}
            disabled={last}
            onClick={() => void recipe.move(step.id, place + 1)}
          >
            ↓
          </button>
          <button
            className="plain soft"
            aria-label={t('sift:StepLine.takeSievePlaceAway', { place: place + 1 })}
            onClick={() => void recipe.drop(step.id)}
          >
            {t('sift:StepLine.remove')}
          </button>
        </span>
      </div>
    </li>
  );
}

/** The first of them by name, the others by number. */
function fitsNamed(texts: readonly string[]): string {
  const named = texts.slice(0, NAMED).join(', ');
  return texts.length > NAMED
    ? t('sift:StepLine.namedAndMore', { named, more: texts.length - NAMED })
    : named;
}
