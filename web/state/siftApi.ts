import type { CombinedPhrases, CombinedQuery } from '@opsimath/contract/api/combined';
import type { PurposeChoice } from '@opsimath/contract/api/purposes';
import type {
  KeywordList,
  ListAddition,
  ListChange,
  ListCombination,
  ListFromSift,
} from '@opsimath/contract/api/lists';
import type {
  ClusterPage,
  ClusterQuery,
  Recipe,
  RecipeChange,
  DifferenceQuery,
  RemovedPage,
  RemovedQuery,
  SiftDifference,
  TreeLevel,
  TreeQuery,
  SiftJudgement,
  SiftPage,
  SiftQuery,
  WordCountsPage,
  WordCountsQuery,
} from '@opsimath/contract/api/sift';
import type { Judgement, JudgementsAnswer } from '@opsimath/contract/api/judgements';
import { type InProject, api } from './api';
import { restsOn, touches } from './restsOn';

/** Recipes, what they do to a pool, verdicts, lists. */
export const siftApi = api.injectEndpoints({
  // eslint-disable-next-line max-lines-per-function -- a list of questions, each a few lines
  endpoints: (build) => ({
    sift: build.query<SiftPage, { lookUp: number; query: SiftQuery }>({
      query: ({ lookUp, query }) => ({ url: `/look-ups/${lookUp}/sift`, method: 'POST', body: query }),
      providesTags: restsOn('sift'),
    }),
    removed: build.query<RemovedPage, { lookUp: number; query: RemovedQuery }>({
      query: ({ lookUp, query }) => ({
        url: `/look-ups/${lookUp}/sift/removed`,
        method: 'POST',
        body: query,
      }),
      providesTags: restsOn('removed'),
    }),
    difference: build.query<SiftDifference, { lookUp: number; query: DifferenceQuery }>({
      query: ({ lookUp, query }) => ({
        url: `/look-ups/${lookUp}/sift/difference`,
        method: 'POST',
        body: query,
      }),
      providesTags: restsOn('difference'),
    }),
    tree: build.query<TreeLevel, { lookUp: number; query: TreeQuery }>({
      query: ({ lookUp, query }) => ({ url: `/look-ups/${lookUp}/sift/tree`, method: 'POST', body: query }),
      providesTags: restsOn('tree'),
    }),
    clusters: build.query<ClusterPage, { lookUp: number; query: ClusterQuery }>({
      query: ({ lookUp, query }) => ({
        url: `/look-ups/${lookUp}/sift/clusters`,
        method: 'POST',
        body: query,
      }),
      providesTags: restsOn('clusters'),
    }),
    wordCounts: build.query<WordCountsPage, { lookUp: number; query: WordCountsQuery }>({
      query: ({ lookUp, query }) => ({ url: `/look-ups/${lookUp}/sift/words`, method: 'POST', body: query }),
      providesTags: restsOn('wordCounts'),
    }),
    combined: build.query<CombinedPhrases, { lookUp: number; query: CombinedQuery }>({
      query: ({ lookUp, query }) => ({ url: `/look-ups/${lookUp}/combined`, method: 'POST', body: query }),
      providesTags: restsOn('combined'),
    }),
    sayPurpose: build.mutation<unknown, InProject<{ keyword: number } & PurposeChoice>>({
      query: ({ project, keyword, ...body }) => ({
        url: `/projects/${project}/keywords/${keyword}/purpose`,
        method: 'PUT',
        body,
      }),
      invalidatesTags: touches('sayPurpose'),
    }),
    recipes: build.query<Recipe[], number>({
      query: (project) => `/projects/${project}/recipes`,
      providesTags: restsOn('recipes'),
    }),
    addRecipe: build.mutation<Recipe, InProject<{ entry: RecipeChange & { name: string } }>>({
      query: ({ project, entry }) => ({ url: `/projects/${project}/recipes`, method: 'POST', body: entry }),
      // Put in at once: the address names it as soon as it is there.
      async onQueryStarted({ project }, { dispatch, queryFulfilled }) {
        const { data } = await queryFulfilled.catch(() => ({ data: null }));
        if (data) dispatch(siftApi.util.updateQueryData('recipes', project, (kept) => [data, ...kept]));
      },
    }),
    changeRecipe: build.mutation<Recipe, InProject<{ recipe: number; change: RecipeChange }>>({
      query: ({ project, recipe, change }) => ({
        url: `/projects/${project}/recipes/${recipe}`,
        method: 'PATCH',
        body: change,
      }),
      // Seen at once; should the server refuse, what it holds comes back.
      async onQueryStarted({ project, recipe, change }, { dispatch, queryFulfilled }) {
        const shown = dispatch(
          siftApi.util.updateQueryData('recipes', project, (kept) => {
            const found = kept.find(({ id }) => id === recipe);
            if (!found) return;
            if (change.steps) found.before = { steps: found.steps, rescued: found.rescued };
            const { revision: _, person: _p, ...parts } = change;
            Object.assign(found, parts);
          }),
        );
        const answer = await queryFulfilled.catch(() => null);
        if (answer === null) {
          shown.undo();
          dispatch(api.util.invalidateTags(['recipes']));
          return;
        }
        // Merged with what others did, and of a new revision.
        dispatch(
          siftApi.util.updateQueryData('recipes', project, (kept) => {
            const found = kept.find(({ id }) => id === recipe);
            if (found) Object.assign(found, answer.data);
          }),
        );
      },
    }),
    removeRecipe: build.mutation<Recipe[], InProject<{ recipe: number }>>({
      query: ({ project, recipe }) => ({ url: `/projects/${project}/recipes/${recipe}`, method: 'DELETE' }),
      invalidatesTags: touches('removeRecipe'),
    }),
    bringRecipeBack: build.mutation<Recipe[], InProject<{ recipe: number }>>({
      query: ({ project, recipe }) => ({
        url: `/projects/${project}/recipes/${recipe}/back`,
        method: 'POST',
        body: {},
      }),
      invalidatesTags: touches('bringRecipeBack'),
    }),
    judge: build.mutation<JudgementsAnswer, InProject<{ id?: string; changes: Judgement[]; person: string }>>(
      {
        query: ({ project, ...body }) => ({ url: `/projects/${project}/verdicts`, method: 'POST', body }),
        invalidatesTags: touches('judge'),
      },
    ),
    judgeAll: build.mutation<JudgementsAnswer, { lookUp: number; judgement: SiftJudgement }>({
      query: ({ lookUp, judgement }) => ({
        url: `/look-ups/${lookUp}/sift/judge`,
        method: 'POST',
        body: judgement,
      }),
      invalidatesTags: touches('judgeAll'),
    }),
    lists: build.query<KeywordList[], number>({
      query: (project) => `/projects/${project}/lists`,
      providesTags: restsOn('lists'),
    }),
    listFromSift: build.mutation<KeywordList[], { lookUp: number; list: ListFromSift }>({
      query: ({ lookUp, list }) => ({ url: `/look-ups/${lookUp}/sift/list`, method: 'POST', body: list }),
      invalidatesTags: touches('listFromSift'),
    }),
    addList: build.mutation<KeywordList[], InProject<{ list: ListAddition }>>({
      query: ({ project, list }) => ({ url: `/projects/${project}/lists`, method: 'POST', body: list }),
      invalidatesTags: touches('addList'),
    }),
    combineLists: build.mutation<KeywordList[], InProject<{ combination: ListCombination }>>({
      query: ({ project, combination }) => ({
        url: `/projects/${project}/lists/combine`,
        method: 'POST',
        body: combination,
      }),
      invalidatesTags: touches('combineLists'),
    }),
    changeList: build.mutation<KeywordList[], InProject<{ list: number; change: ListChange }>>({
      query: ({ project, list, change }) => ({
        url: `/projects/${project}/lists/${list}`,
        method: 'PATCH',
        body: change,
      }),
      invalidatesTags: touches('changeList'),
    }),
    bringListBack: build.mutation<KeywordList[], InProject<{ list: number }>>({
      query: ({ project, list }) => ({
        url: `/projects/${project}/lists/${list}/back`,
        method: 'POST',
        body: {},
      }),
      invalidatesTags: touches('bringListBack'),
    }),
    removeList: build.mutation<KeywordList[], InProject<{ list: number }>>({
      query: ({ project, list }) => ({ url: `/projects/${project}/lists/${list}`, method: 'DELETE' }),
      invalidatesTags: touches('removeList'),
    }),
  }),
});

export const {
  useSiftQuery,
  useRemovedQuery,
  useDifferenceQuery,
  useTreeQuery,
  useClustersQuery,
  useCombinedQuery,
  useSayPurposeMutation,
  useWordCountsQuery,
  useRecipesQuery,
  useAddRecipeMutation,
  useChangeRecipeMutation,
  useRemoveRecipeMutation,
  useJudgeMutation,
  useJudgeAllMutation,
  useListsQuery,
  useListFromSiftMutation,
  useAddListMutation,
  useCombineListsMutation,
  useChangeListMutation,
  useRemoveListMutation,
} = siftApi;
