import {
  answeringChoice,
  answeringQuery,
  answeringView,
  taskAction,
  taskChange,
  taskChanges,
  taskPick,
} from '@opsimath/contract/api/rounds';
import { z } from 'zod';
import { answerBy } from '../data/answering';
import { addTasks, changeTasks, listTasks, replaceMeasure } from '../data/tasks';
import { KnownProblem } from '../problems/problem';
import type { Routes } from './route';
import type { Services } from './services';

export function taskRoutes(routes: Routes, { database, analysis }: Services): void {
  routes.add(
    {
      method: 'post',
      path: '/projects/:id/tasks',
      summary: 'Put work into a round by hand: what is best for a keyword, or a certain action',
      body: taskPick,
      answer: z.object({ tasks: z.array(z.int()) }),
    },
    async ({ params, body: { round, ...picks } }) => {
      const tasks = await analysis.pickedTasks(params.id, picks);
      return { tasks: await addTasks(database, params.id, round, tasks) };
    },
  );
  routes.add(
    {
      method: 'patch',
      path: '/projects/:id/tasks',
      summary: 'Change tasks, all or none; the answer changes them back',
      body: taskChanges,
      answer: z.object({ back: z.array(taskChange) }),
    },
    async ({ params, body }) => ({ back: await changeTasks(database, params.id, body.changes) }),
  );
  routes.add(
    {
      method: 'put',
      path: '/projects/:id/tasks/:task/action',
      summary: 'Choose another measure for a task; its effort and figures follow',
      body: taskAction,
      answer: z.object({ id: z.int() }),
    },
    async ({ params, body: { action, ...scope } }) => {
      const task = (await listTasks(database, params.id)).find(({ id }) => id === params.task);
      if (!task)
        throw new KnownProblem('no-such-task', 'This piece of work is gone.', 'Open the rounds again.');
      const measure = await analysis.measureFor(params.id, task.keywordId, action, scope);
      await replaceMeasure(database, params.id, task.id, measure);
      return { id: task.id };
    },
  );
  routes.add(
    {
      method: 'get',
      path: '/projects/:id/answering',
      summary:
        'Which target of ours answers each keyword; keywords without one, targets without a keyword, clashes',
      query: answeringQuery,
      answer: answeringView,
    },
    ({ params, query }) => analysis.answering(params.id, query),
  );
  routes.add(
    {
      method: 'put',
      path: '/projects/:id/keywords/:keyword/answering',
      summary:
        'Say which target is to answer a keyword; null leaves it to the proposal, an empty address is a new one',
      body: answeringChoice,
      answer: z.object({ chosen: z.boolean() }),
    },
    async ({ params, body }) => {
      await answerBy(database, params.id, params.keyword, body.address, body.person);
      return { chosen: body.address !== null };
    },
  );
}
