import type {
  AnsweringView,
  RoundAddition,
  RoundFilled,
  RoundPlan,
  RoundsView,
  TaskChange,
  WorkScope,
} from '@opsimath/contract/api/rounds';
import type { Action } from '@opsimath/core/gap/action';
import { type InProject, api, toParams } from './api';
import { restsOn, touches } from './restsOn';

/** Rounds, their tasks, and which target answers which keyword. */
export const roundsApi = api.injectEndpoints({
  endpoints: (build) => ({
    rounds: build.query<RoundsView, InProject<{ scope: WorkScope }>>({
      query: ({ project, scope }) => ({ url: `/projects/${project}/rounds`, params: toParams(scope) }),
      providesTags: restsOn('rounds'),
    }),
    roundPlan: build.query<
      RoundPlan,
      InProject<{ round: number; scope: WorkScope & { days?: number; most?: number } }>
    >({
      query: ({ project, round, scope }) => ({
        url: `/projects/${project}/rounds/${round}/plan`,
        params: toParams(scope),
      }),
      providesTags: restsOn('roundPlan'),
    }),
    addRound: build.mutation<{ id: number }, InProject<{ round: RoundAddition }>>({
      query: ({ project, round }) => ({ url: `/projects/${project}/rounds`, method: 'POST', body: round }),
      invalidatesTags: touches('addRound'),
    }),
    changeRound: build.mutation<unknown, InProject<{ id: number; change: Partial<RoundAddition> }>>({
      query: ({ project, id, change }) => ({
        url: `/projects/${project}/rounds/${id}`,
        method: 'PATCH',
        body: change,
      }),
      invalidatesTags: touches('changeRound'),
    }),
    removeRound: build.mutation<unknown, InProject<{ id: number }>>({
      query: ({ project, id }) => ({ url: `/projects/${project}/rounds/${id}`, method: 'DELETE' }),
      invalidatesTags: touches('removeRound'),
    }),
    fillRound: build.mutation<RoundFilled, InProject<{ round: number; scope: WorkScope; rounds: number }>>({
      query: ({ project, round, scope, rounds }) => ({
        url: `/projects/${project}/rounds/${round}/fill`,
        method: 'POST',
        body: { ...scope, rounds },
      }),
      invalidatesTags: touches('fillRound'),
    }),
    pickTasks: build.mutation<
      { tasks: number[] },
      InProject<{
        round: number;
        scope: WorkScope;
        picks: { keyword: number; action?: Action }[];
        together?: boolean;
      }>
    >({
      query: ({ project, round, scope, picks, together }) => ({
        url: `/projects/${project}/tasks`,
        method: 'POST',
        body: { ...scope, round, picks, together },
      }),
      invalidatesTags: touches('pickTasks'),
    }),
    changeTasks: build.mutation<{ back: TaskChange[] }, InProject<{ changes: TaskChange[] }>>({
      query: ({ project, changes }) => ({
        url: `/projects/${project}/tasks`,
        method: 'PATCH',
        body: { changes },
      }),
      invalidatesTags: touches('changeTasks'),
    }),
    replaceMeasure: build.mutation<unknown, InProject<{ task: number; scope: WorkScope; action: Action }>>({
      query: ({ project, task, scope, action }) => ({
        url: `/projects/${project}/tasks/${task}/action`,
        method: 'PUT',
        body: { ...scope, action },
      }),
      invalidatesTags: touches('replaceMeasure'),
    }),
    answering: build.query<AnsweringView, InProject<{ scope: WorkScope }>>({
      query: ({ project, scope }) => ({ url: `/projects/${project}/answering`, params: toParams(scope) }),
      providesTags: restsOn('answering'),
    }),
    answerBy: build.mutation<unknown, InProject<{ keyword: number; address: string | null; person: string }>>(
      {
        query: ({ project, keyword, ...body }) => ({
          url: `/projects/${project}/keywords/${keyword}/answering`,
          method: 'PUT',
          body,
        }),
        invalidatesTags: touches('answerBy'),
      },
    ),
  }),
});

export const {
  useRoundsQuery,
  useRoundPlanQuery,
  useAddRoundMutation,
  useChangeRoundMutation,
  useRemoveRoundMutation,
  useFillRoundMutation,
  usePickTasksMutation,
  useChangeTasksMutation,
  useReplaceMeasureMutation,
  useAnsweringQuery,
  useAnswerByMutation,
} = roundsApi;
