import type { LookUp } from '@opsimath/contract/api/lookUps';
import type { SiftDifference } from '@opsimath/contract/api/sift';
import { App, Button, Input } from 'antd';
import { useState } from 'react';
import { Problem } from '../../parts/words/Problem';
import { Waiting } from '../../parts/words/Waiting';
import { count } from '../../parts/words/figures';
import { useDifferenceQuery, useListFromSiftMutation } from '../../state/siftApi';
import { useAppSelector } from '../../state/store';
import type { UsedRecipe } from './useRecipe';

type Before = NonNullable<UsedRecipe['before']>;
interface OfRecipe {
  lookUp: LookUp;
  recipe: UsedRecipe;
}

/** What the last change of the sieves did: which keywords came, which went, and the result before, to be kept. */
export function DifferenceView({ lookUp, recipe }: OfRecipe) {
  if (recipe.before === null)
    return <p className="soft">The sieves of this recipe have not been changed yet.</p>;
  return <Difference lookUp={lookUp} recipe={recipe} before={recipe.before} />;
}

function Difference({ lookUp, recipe, before }: OfRecipe & { before: Before }) {
  const { steps, rescued } = recipe;
  const { data, error } = useDifferenceQuery({ lookUp: lookUp.id, query: { steps, rescued, before } });
  if (error) return <Problem error={error} />;
  if (!data) return <Waiting for="the difference" />;
  return (
    <section className="words-view" aria-label="What the last change did">
      <p>
        Before the last change <b>{count(data.before)}</b> came through, now <b>{count(data.now)}</b>.
        Verdicts stayed as they are.
      </p>
      <KeepBefore lookUp={lookUp} recipe={recipe} before={before} keywords={data.before} />
      <div className="difference">
        <Side head="Came in" side={data.came} />
        <Side head="Went out" side={data.went} />
      </div>
    </section>
  );
}

function Side({ head, side }: { head: string; side: SiftDifference['came'] }) {
  return (
    <table className="ledger" aria-label={head}>
      <thead>
        <tr>
          <th>
            {head}: {count(side.total)}
            {side.total > side.some.length && `, the ${side.some.length} most searched`}
          </th>
          <th className="figure">Volume</th>
        </tr>
      </thead>
      <tbody>
        {side.some.map(({ id, text, volume }) => (
          <tr key={id}>
            <td>
              <b>{text}</b>
            </td>
            <td className="figure">{volume === null ? 'unknown' : count(volume)}</td>
          </tr>
        ))}
        {side.total === 0 && (
          <tr>
            <td colSpan={2} className="soft">
              none
            </td>
          </tr>
        )}
      </tbody>
    </table>
  );
}

/** Keeps the result before the change as a list. */
function KeepBefore({ lookUp, recipe, before, keywords }: OfRecipe & { before: Before; keywords: number }) {
  const { message } = App.useApp();
  const person = useAppSelector((state) => state.preferences.person);
  const [make, { isLoading, error }] = useListFromSiftMutation();
  const [name, setName] = useState(`${recipe.recipe?.name ?? 'Recipe'}, before the change`);
  const keep = async (): Promise<void> => {
    const origin = `${lookUp.name}, ${lookUp.date}, before a change of “${recipe.recipe?.name ?? ''}”`;
    await make({
      lookUp: lookUp.id,
      list: { name, person, only: [], origin: origin.slice(0, 500), query: before },
    }).unwrap();
    void message.info(`The list “${name}” is kept.`);
  };
  return (
    <form
      className="keep-before"
      onSubmit={(event) => {
        event.preventDefault();
        void keep().catch(() => undefined);
      }}
    >
      <Input
        size="small"
        aria-label="Name of the list of before"
        maxLength={200}
        value={name}
        onChange={(event) => setName(event.target.value)}
      />
      <Button size="small" htmlType="submit" loading={isLoading} disabled={name.trim() === ''}>
        Keep the {count(keywords)} before as a list
      </Button>
      {error && <Problem error={error} />}
    </form>
  );
}
