import type { JobProgress } from '@opsimath/contract/api/jobs';
import type { Database } from '../../data/storage/connection';
import type { PlaceBook } from '../../data/places';
import type { SearchSource } from '../../sources/searchSource';
import type { People } from '../people';
import type { Locks } from './locks';

/** What one piece of long work has to hand. */
export interface JobContext {
  jobId: number;
  projectId: number;
  request: Record<string, unknown>;
  database: Database;
  source: SearchSource;
  /** Shared by all jobs. */
  locks: Locks;
  /** Whoever waits for an answer meanwhile: work in large steps makes way. */
  people: Pick<People, 'makeWay'>;
  /** Shared by all captures of the job. */
  places: PlaceBook;
  /** Where uploaded files lie. */
  filesFolder: string;
  /** Aborted when the job is cancelled. */
  signal: AbortSignal;
  progress: ProgressMeter;
}

/** Turns counts into progress with the time that is left; tells whoever listens. */
export class ProgressMeter {
  private state: JobProgress;
  private stepStarted = 0;
  private doneBefore = 0;

  constructor(
    private readonly now: () => number,
    private readonly tell: (progress: JobProgress) => void,
    /** Units that were spent before a stop. */
    units = 0,
  ) {
    this.state = { step: 'starting', done: 0, total: null, units, secondsLeft: null };
  }

  /** Begins a step; `done` is what an earlier run had finished of it. */
  step(step: string, total: number | null, done = 0): void {
    this.stepStarted = this.now();
    this.doneBefore = done;
    this.state = { ...this.state, step, total, done, secondsLeft: null };
    this.tell(this.state);
  }

  advance(by: number, units = 0): JobProgress {
    const done = this.state.done + by;
    const pace = (done - this.doneBefore) / Math.max(1, this.now() - this.stepStarted);
    const left =
      this.state.total === null || pace <= 0 ? null : Math.max(0, this.state.total - done) / pace / 1000;
    this.state = {
      ...this.state,
      done,
      units: this.state.units + units,
      secondsLeft: left === null ? null : Math.ceil(left),
    };
    this.tell(this.state);
    return this.state;
  }

  current(): JobProgress {
    return this.state;
  }
}
