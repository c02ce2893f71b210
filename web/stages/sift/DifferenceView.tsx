import type { LookUp } from '@opsimath/contract/api/lookUps';
import type { SiftDifference } from '@opsimath/contract/api/sift';
import { Button, Input } from 'antd';
import { useState } from 'react';
import { Problem } from '../../parts/words/Problem';
import { Waiting } from '../../parts/words/Waiting';
import { count } from '../../parts/words/figures';
import { useMessages } from '../../state/messages';
import { useDifferenceQuery, useListFromSiftMutation } from '../../state/siftApi';
import { useAppSelector } from '../../state/store';
import type { UsedRecipe } from './useRecipe';
import { Told } from '../../words/Told';
import { t } from '../../words/t';

type Before = NonNullable<UsedRecipe['before']>;
interface OfRecipe {
  lookUp: LookUp;
  recipe: UsedRecipe;
}

/** What the last change of the sieves did: which keywords came, which went, and the result before, to be kept. */
export function DifferenceView({ lookUp, recipe }: OfRecipe) {
  if (recipe.before === null)
    return <p className="soft">{t('sift:DifferenceView.theSievesOfThisRecipeHave')}</p>;
  return <Difference lookUp={lookUp} recipe={recipe} before={recipe.before} />;
}

function Difference({ lookUp, recipe, before }: OfRecipe & { before: Before }) {
  const { steps, rescued } = recipe;
  const { data, error } = useDifferenceQuery({ lookUp: lookUp.id, query: { steps, rescued, before } });
  if (error) return <Problem error={error} />;
  if (!data) return <Waiting for={t('sift:DifferenceView.theDifference')} />;
  return (
    <section className="words-view" aria-label={t('sift:DifferenceView.whatTheLastChangeDid')}>
      <p>
        <Told
          id="sift:DifferenceView.beforeTheLastChangeBeforeCame"
          values={{ before: count(data.before), now: count(data.now) }}
          parts={{ b: <b />, b2: <b /> }}
        />
      </p>
      <KeepBefore lookUp={lookUp} recipe={recipe} before={before} keywords={data.before} />
      <div className="difference">
        <Side head={t('sift:DifferenceView.cameIn')} side={data.came} />
        <Side head={t('sift:DifferenceView.wentOut')} side={data.went} />
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
            {head}
            {': '}
            {count(side.total)}
            {side.total > side.some.length &&
              t('sift:DifferenceView.theSomeMostSearched', { some: side.some.length })}
          </th>
          <th className="figure">{t('sift:DifferenceView.volume')}</th>
        </tr>
      </thead>
      <tbody>
        {side.some.map(({ id, text, volume }) => (
          <tr key={id}>
            <td>
              <b>{text}</b>
            </td>
            <td className="figure">{volume === null ? t('sift:DifferenceView.unknown') : count(volume)}</td>
          </tr>
        ))}
        {side.total === 0 && (
          <tr>
            <td colSpan={2} className="soft">
              {t('sift:DifferenceView.none')}
            </td>
          </tr>
        )}
      </tbody>
    </table>
  );
}

/** Keeps the result before the change as a list. */
function KeepBefore({ lookUp, recipe, before, keywords }: OfRecipe & { before: Before; keywords: number }) {
  const message = useMessages();
  const person = useAppSelector((state) => state.preferences.person);
  const [make, { isLoading, error }] = useListFromSiftMutation();
  const [name, setName] = useState(
    t('sift:DifferenceView.nameBeforeTheChange', {
      name: recipe.recipe?.name ?? t('sift:DifferenceView.recipe'),
    }),
  );
  const keep = async (): Promise<void> => {
    const origin = t('sift:DifferenceView.nameDateBeforeAChangeOf', {
      name: lookUp.name,
      date: lookUp.date,
      name2: recipe.recipe?.name ?? '',
    });
    await make({
      lookUp: lookUp.id,
      list: { name, person, only: [], origin: origin.slice(0, 500), query: before },
    }).unwrap();
    void message.info(t('sift:DifferenceView.theListNameIsKept', { name }));
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
        aria-label={t('sift:DifferenceView.nameOfTheListOfBefore')}
        maxLength={200}
        value={name}
        onChange={(event) => setName(event.target.value)}
      />
      <Button size="small" htmlType="submit" loading={isLoading} disabled={name.trim() === ''}>
        {t('sift:DifferenceView.keepTheKeywordsBeforeAsA', { keywords: count(keywords) })}
      </Button>
      {error && <Problem error={error} />}
    </form>
  );
}
