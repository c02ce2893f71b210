import { api } from './api';
import './draftsApi';
import './lookUpApi';
import './publishedApi';
import './watchApi';
import './notesApi';
import './reportsApi';
import './frozenApi';
import './projectApi';
import './roundsApi';
import './siftApi';
import './studyApi';
import './variantsApi';
import { type Stood, judging } from './judging';
import { store } from './store';

/**
 * Something that can be done, as plain data, so that it outlives a reload: a request by the name of its endpoint, a step
 * of judging taken back, or several of these in a row.
 */
export type Operation =
  | { endpoint: string; arg: unknown }
  | { takesBack: string; project: number; stood: Stood[] }
  | { all: (Operation | null)[] };

/** A request as an operation, checked against its endpoint. */
export function request<Arg>(
  endpoint: { name: string; initiate: (arg: Arg) => unknown },
  arg: Arg,
): Operation {
  return { endpoint: endpoint.name, arg };
}

/** What is made anew has other numbers: what takes it back is known only when it is there. */
const MADE_ANEW: Record<string, (arg: unknown, answer: unknown) => Operation> = {
  addDraft: (arg, answer) => ({
    endpoint: 'removeDrafts',
    arg: { project: (arg as { project: number }).project, ids: [(answer as { id: number }).id] },
  }),
  severalDrafts: (arg, answer) => ({
    endpoint: 'removeDrafts',
    arg: { project: (arg as { project: number }).project, ids: (answer as { ids: number[] }).ids },
  }),
};

type Initiate = (arg: unknown) => Parameters<typeof store.dispatch>[0];

/** Does it. Gives what would take it back, where that is known only now; of several, at the place of each. */
export async function runOperation(operation: Operation): Promise<Operation | null> {
  if ('all' in operation) {
    const back: (Operation | null)[] = [];
    for (const one of operation.all) back.push(one && (await runOperation(one)));
    return { all: back };
  }
  if ('takesBack' in operation) {
    const { project, stood, takesBack } = operation;
    // Not waited for: it is in the box, and seen at once.
    const given = judging.takeBack(project, takesBack, stood);
    return { takesBack: given.id, project, stood: given.stood };
  }
  const endpoints = api.endpoints as unknown as Record<string, { initiate: Initiate } | undefined>;
  const endpoint = endpoints[operation.endpoint];
  if (!endpoint) throw new Error(`there is no ${operation.endpoint}`);
  const answer = store.dispatch(endpoint.initiate(operation.arg)) as unknown as {
    unwrap(): Promise<unknown>;
  };
  const made = await answer.unwrap();
  return MADE_ANEW[operation.endpoint]?.(operation.arg, made) ?? null;
}
