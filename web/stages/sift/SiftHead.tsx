import type { LookUp } from '@opsimath/contract/api/lookUps';
import type { SiftPage, SiftQuery } from '@opsimath/contract/api/sift';
import type { Verdict } from '@opsimath/contract/api/judgements';
import { App, Button, Input, Popover, Segmented } from 'antd';
import { useCallback, useState } from 'react';
import { FindBox } from '../../parts/words/FindBox';
import { Problem } from '../../parts/words/Problem';
import { count } from '../../parts/words/figures';
import { useListFromSiftMutation } from '../../state/siftApi';
import { useAppSelector } from '../../state/store';
import { undoStackOf, useUndoState, useUndoable } from '../../state/undoStacks';
import { newList } from '../../state/newList';
import { useScope } from '../../state/useScope';
import { JudgeAll } from './JudgeAll';
import { MarkMenu } from './MarkMenu';
import { SiftColumnsMenu } from './SiftColumnsMenu';
import type { UsedRecipe } from './useRecipe';

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
          {count(page?.through)} of {count(page?.all ?? lookUp.keywords)} come through
        </h1>
      </div>
      <div className="sift-acts">
        <FindBox name="Find among these" value={scope.poolFind} onFind={onFind} width={150} />
        <Button
          size="small"
          disabled={steps.undo === null}
          title={steps.undo === null ? 'Nothing to take back' : `Take back: ${steps.undo} (Ctrl Z)`}
          onClick={() =>
            void undoStackOf(project)
              .undo()
              .catch(() => undefined)
          }
        >
          Undo
        </Button>
        <Button
          size="small"
          disabled={steps.redo === null}
          title={steps.redo === null ? 'Nothing to do again' : `Do again: ${steps.redo} (Ctrl Y)`}
          onClick={() =>
            void undoStackOf(project)
              .redo()
              .catch(() => undefined)
          }
        >
          Redo
        </Button>
        <JudgeAll lookUp={lookUp} total={page?.total} query={query}>
          Judge all
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
            Keep as list
          </Button>
        </Popover>
      </div>
      <div className="soft sift-judged">
        {judged && (
          <>
            <b>{count(judged.fit)}</b> of {count(recipe.goal)} wanted are fit ({count(judged.fitVolume)}{' '}
            searches a month), {count(judged.adjacent)} adjacent, {count(judged.off)} off,{' '}
            {count(judged.parked)} parked, {count(judged.unjudged)} unjudged.
          </>
        )}
      </div>
    </header>
  );
}

function KeepList({ lookUp, recipe, query, page }: SiftHeadProps) {
  const { message } = App.useApp();
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
          recipe.recipe ? `through “${recipe.recipe.name}”` : 'without a recipe',
          find && `found by “${find}”`,
        ]
          .filter(Boolean)
          .join(', ')
          .slice(0, 500),
        query: { steps, rescued, find },
      },
    }).unwrap();
    undoable(newList(project, made, `the list “${name}” kept`));
    setName('');
    void message.info(`The list “${name}” is kept. Undo takes it back.`);
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
          { value: 'all', label: `all ${count(page?.total)}` },
          { value: 'fit', label: 'fit only' },
          { value: 'adjacent', label: 'adjacent only' },
        ]}
        onChange={setOnly}
      />
      <Input
        aria-label="Name of the list"
        placeholder="Name of the list"
        maxLength={200}
        value={name}
        onChange={(event) => setName(event.target.value)}
      />
      <Button htmlType="submit" size="small" type="primary" loading={isLoading} disabled={name.trim() === ''}>
        Keep
      </Button>
      {error && <Problem error={error} />}
    </form>
  );
}
