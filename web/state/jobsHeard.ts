import type { Job } from '@opsimath/contract/api/jobs';
import { type PayloadAction, createSlice } from '@reduxjs/toolkit';

/** Long work as last heard of, by id. */
export const jobs = createSlice({
  name: 'jobs',
  initialState: {} as Record<number, Job>,
  reducers: {
    heard(state, { payload }: PayloadAction<Job>) {
      state[payload.id] = payload;
    },
  },
});

export function isUnderWay(job: Pick<Job, 'state'>): boolean {
  return job.state === 'queued' || job.state === 'running';
}
