import { type Surface, ofEachSurface } from '../text/surfaces';

/** Suggested actions (method §8); stored in columns as the index here. */
export const ACTIONS = [
  'capture first',
  'trim bid',
  'retitle',
  'add the words',
  'strengthen',
  'advertise',
  'new page',
  'new video',
  'new listing',
  'merge',
  'hold',
] as const;
export type Action = (typeof ACTIONS)[number];

/** Effort in days by action, editable in the project's settings (method §8). */
export type Efforts = Readonly<Record<Action, number>>;

export const DEFAULT_EFFORTS: Efforts = {
  'capture first': 0.1,
  'trim bid': 0.1,
  retitle: 0.25,
  'add the words': 0.25,
  strengthen: 1,
  advertise: 0.1,
  'new page': 3,
  'new video': 4,
  'new listing': 2,
  merge: 1,
  hold: 0.1,
};

/** What is made where no target of ours covers a keyword. */
export const NEW_TARGET = ofEachSurface('newTarget') satisfies Record<Surface, Action>;

/** Whether an action is done to ads, not to a target. */
export const isPaidAction = (action: Action): boolean => action === 'advertise' || action === 'trim bid';
