import type { LookUp } from '@opsimath/contract/api/lookUps';
import type { SiftPage, SiftQuery } from '@opsimath/contract/api/sift';
import type { Verdict } from '@opsimath/contract/api/judgements';
import { Button, Input, Popover, Segmented } from 'antd';
import { useCallback, useState } from 'react';
import { FindBox } from '../../parts/words/FindBox';
import { Problem } from '../../parts/words/Problem';
import { count } from '../../parts/words/figures';
import { useMessages } from '../../state/messages';
import { useListFromSiftMutation } from '../../state/siftApi';
import { useAppSelector } from '../../state/store';
import { undoStackOf, useUndoState, useUndoable } from '../../state/undoStacks';
import { newList } from '../../state/newList';
import { useScope } from '../../state/useScope';
import { JudgeAll } from './JudgeAll';
import { MarkMenu } from './MarkMenu';
import { SiftColumnsMenu } from './SiftColumnsMenu';
import type { UsedRecipe } from './useRecipe';
import { Told } from '../../words/Told';
import { t } from '../../words/t';

interface SiftHeadProps {
  lookUp: LookUp;
  recipe: UsedRecipe;
  page: SiftPage | undefined;
  query: SiftQuery;
}

/** How many came through, how far judging has got, and what can be done with it. */
export function SiftHead({ lookUp, recipe, page, query }: SiftHeadProps) {
  const { project, scope, change } = useScope();
  const steps = useUndoState(project);
  const onFind = useCallback((poolFind: string) => change({ poolFind }, { replace: true }), [change]);
  const judged = page?.judged;
  return (
    <header className="pool-head">
      <div className="pool-title">
        <h1>
          {t('sift:SiftHead.throughOfAllComeThrough', {
            through: count(page?.through),
            all: count(page?.all ?? lookUp.keywords),
          })}
        </h1>
      </div>
      <div className="sift-acts">
        <FindBox
          name={t('sift:SiftHead.findAmongThese')}
          value={scope.poolFind}
          onFind={onFind}
          width={150}
        />
        <Button
          size="small"
          disabled={steps.undo === null}
          title={
            steps.undo === null
              ? t('sift:SiftHead.nothingToTakeBack')
              : t('sift:SiftHead.takeBackUndoCtrlZ', { undo: steps.undo })
          }
          onClick={() =>
            void undoStackOf(project)
              .undo()
              .catch(() => undefined)
          }
        >
          {t('sift:SiftHead.undo')}
        </Button>
        <Button
          size="small"
          disabled={steps.redo === null}
          title={
            steps.redo === null
              ? t('sift:SiftHead.nothingToDoAgain')
              : t('sift:SiftHead.doAgainRedoCtrlY', { redo: steps.redo })
          }
          onClick={() =>
            void undoStackOf(project)
              .redo()
              .catch(() => undefined)
          }
        >
          {t('sift:SiftHead.redo')}
        </Button>
        <JudgeAll lookUp={lookUp} total={page?.total} query={query}>
          {t('sift:SiftHead.judgeAll')}
        </JudgeAll>
        <MarkMenu />
        <SiftColumnsMenu />
        <Popover
          trigger="click"
          placement="bottomRight"
          arrow={false}
          destroyOnHidden
          content={<KeepList lookUp={lookUp} recipe={recipe} query={query} page={page} />}
        >
          <Button size="small" type="primary">
            {t('sift:SiftHead.keepAsList')}
          </Button>
        </Popover>
      </div>
      <div className="soft sift-judged">
        {judged && (
          <>
            <Told
              id="sift:SiftHead.fitOfGoalWantedAreFit"
              values={{
                fit: count(judged.fit),
                goal: count(recipe.goal),
                fitVolume: count(judged.fitVolume),
                adjacent: count(judged.adjacent),
                off: count(judged.off),
                parked: count(judged.parked),
                unjudged: count(judged.unjudged),
              }}
              parts={{ b: <b /> }}
            />
          </>
        )}
      </div>
    </header>
  );
}

function KeepList({ lookUp, recipe, query, page }: SiftHeadProps) {
  const message = useMessages();
  const { project } = useScope();
  const undoable = useUndoable(project);
  const person = useAppSelector((state) => state.preferences.person);
  const [make, { isLoading, error }] = useListFromSiftMutation();
  const [only, setOnly] = useState<'all' | Verdict>(page && page.judged.fit > 0 ? 'fit' : 'all');
  const [name, setName] = useState('');
  const keep = async (): Promise<void> => {
    const { steps, rescued, find } = query;
    const made = await make({
      lookUp: lookUp.id,
      list: {
        name,
        person,
        only: only === 'all' ? [] : [only],
        origin: [
          lookUp.name,
          lookUp.date,
          recipe.recipe
            ? t('sift:SiftHead.throughName', { name: recipe.recipe.name })
            : t('sift:SiftHead.withoutARecipe'),
          find && t('sift:SiftHead.foundByFind', { find }),
        ]
          .filter(Boolean)
          .join(', ')
          .slice(0, 500),
        query: { steps, rescued, find },
      },
    }).unwrap();
    undoable(newList(project, made, t('sift:SiftHead.theListNameKept', { name })));
    setName('');
    void message.info(t('sift:SiftHead.theListNameIsKeptUndo', { name }));
  };
  return (
    <form
      className="keep-list"
      onSubmit={(event) => {
        event.preventDefault();
        void keep().catch(() => undefined);
      }}
    >
      <Segmented
        size="small"
        value={only}
        options={[
          { value: 'all', label: t('sift:SiftHead.allTotal', { total: count(page?.total) }) },
          { value: 'fit', label: t('sift:SiftHead.fitOnly') },
          { value: 'adjacent', label: t('sift:SiftHead.adjacentOnly') },
        ]}
        onChange={setOnly}
      />
      <Input
        aria-label={t('sift:SiftHead.nameOfTheList')}
        placeholder={t('sift:SiftHead.nameOfTheList')}
        maxLength={200}
        value={name}
        onChange={(event) => setName(event.target.value)}
      />
      <Button htmlType="submit" size="small" type="primary" loading={isLoading} disabled={name.trim() === ''}>
        {t('sift:SiftHead.keep')}
      </Button>
      {error && <Problem error={error} />}
    </form>
  );
}
