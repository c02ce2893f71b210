import type { Change, ChangedThing } from '@opsimath/contract/api/changes';
import type { Ground } from '@opsimath/contract/api/grounds';
import { api } from './api';
import { TOLD } from './restsOn';
import type { AppDispatch } from './store';
import { WINDOW } from './window';

const LOCK = 'opsimath.changes';
const CHANNEL = 'opsimath.changes';
/** Several changes at once are one reason to fetch anew. */
const TOGETHER_MS = 300;

/**
 * Hears what others change. A browser opens only a few streams to one place, so one window of it listens and tells the
 * others; when that one is closed, another listens.
 */
export function hearOthers(dispatch: AppDispatch): void {
  const channel = new BroadcastChannel(CHANNEL);
  const due = new Set<Ground>();
  let timer: ReturnType<typeof setTimeout> | undefined;
  const hear = ({ what, window }: Change): void => {
    if (window === WINDOW) return;
    TOLD[what].forEach((ground) => due.add(ground));
    timer ??= setTimeout(() => {
      timer = undefined;
      const tags = [...due];
      due.clear();
      dispatch(api.util.invalidateTags(tags));
    }, TOGETHER_MS);
  };
  channel.onmessage = ({ data }: MessageEvent<Change>) => hear(data);
  const listen = (): Promise<never> =>
    new Promise(() => {
      const events = new EventSource('/api/changes');
      let lost = false;
      events.onerror = () => (lost = true);
      events.onopen = () => {
        // What was changed while nobody could listen is not known: everything is fetched anew.
        if (lost)
          Object.keys(TOLD).forEach((what) =>
            tell({ project: null, what: what as ChangedThing, window: '' }),
          );
        lost = false;
      };
      events.onmessage = ({ data }: MessageEvent<string>) => tell(JSON.parse(data) as Change);
    });
  const tell = (change: Change): void => {
    hear(change);
    channel.postMessage(change);
  };
  const { locks } = navigator as { locks?: LockManager };
  void (locks ? locks.request(LOCK, listen) : listen());
}
