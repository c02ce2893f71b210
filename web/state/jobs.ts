import type { Job } from '@opsimath/contract/api/jobs';
import { useEffect, useRef } from 'react';
import { api } from './api';
import { isUnderWay, jobs } from './jobsHeard';
import { AFTER_WORK, WHILE_WORKING } from './restsOn';
import { type AppDispatch, useAppDispatch, useAppSelector } from './store';

/** How often what has come so far is shown while a job runs. */
const REFRESH_MS = 2500;

/** Streams that are open, each shared by all who follow the job: a browser opens only a few to one place. */
const streams = new Map<number, { events: EventSource; followers: number }>();

/** Follows a job's events until the returned function is called by everybody who followed it. */
function followJob(id: number, dispatch: AppDispatch): () => void {
  const stream = streams.get(id) ?? { events: openStream(id, dispatch), followers: 0 };
  stream.followers++;
  streams.set(id, stream);
  return () => {
    if (--stream.followers > 0) return;
    stream.events.close();
    if (streams.get(id) === stream) streams.delete(id);
  };
}

function openStream(id: number, dispatch: AppDispatch): EventSource {
  let refreshed = performance.now();
  const events = new EventSource(`/api/jobs/${id}/events`);
  events.onmessage = (event: MessageEvent<string>) => {
    const job = JSON.parse(event.data) as Job;
    dispatch(jobs.actions.heard(job));
    if (isUnderWay(job) && performance.now() - refreshed > REFRESH_MS) {
      refreshed = performance.now();
      dispatch(api.util.invalidateTags([...WHILE_WORKING]));
    }
    if (!isUnderWay(job)) {
      events.close();
      streams.delete(id);
      dispatch(api.util.invalidateTags([...AFTER_WORK]));
    }
  };
  return events;
}

/** A job as it stands now: follows its events while it runs, and refreshes what it changed when it ends. */
export function useJob(known: Job | null | undefined): Job | null {
  const dispatch = useAppDispatch();
  const id = known?.id;
  const heard = useAppSelector((state) => (id === undefined ? undefined : state.jobs[id]));
  const latest =
    heard && known && heard.state !== known.state && isUnderWay(known)
      ? heard
      : (newer(heard, known) ?? null);
  // A job can end between two questions, before its events were ever followed.
  const lastState = useRef(known?.state);
  useEffect(() => {
    if (!known || known.state === lastState.current) return;
    lastState.current = known.state;
    if (!isUnderWay(known)) dispatch(api.util.invalidateTags([...AFTER_WORK]));
  }, [known, dispatch]);
  const follow = known !== null && known !== undefined && isUnderWay(known);
  useEffect(() => {
    if (!follow || id === undefined) return;
    return followJob(id, dispatch);
  }, [follow, id, dispatch]);
  return latest;
}

/** Of what events said and what a query said, the one that is further on. */
function newer(heard: Job | undefined, known: Job | null | undefined): Job | null | undefined {
  if (!heard) return known;
  return known && !isUnderWay(known) ? known : heard;
}
