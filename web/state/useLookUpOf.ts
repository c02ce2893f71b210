import { useNavigate } from 'react-router';
import { useTargetsQuery } from './rosterApi';
import { useScope } from './useScope';

const PLACE = 'opsimath.look-up-draft';

/** Goes to Look-up with these targets, or this list of keywords, put in. */
export function useLookUpOf(): (lines: readonly string[], part?: 'targets' | 'list' | 'combined') => void {
  const { project, scope } = useScope();
  const navigate = useNavigate();
  const { data: targets } = useTargetsQuery(project);
  return (lines, part = 'targets') => {
    const place = `${PLACE}.${project}`;
    const draft = JSON.parse(localStorage.getItem(place) ?? '{}') as object;
    const text = lines.join('\n');
    const filled =
      // What is handed over is looked up, and nothing of the roster beside it.
      part === 'targets'
        ? { pasted: text, left: (targets ?? []).map(({ id }) => id) }
        : { list: text, combined: part === 'combined' ? text : '' };
    localStorage.setItem(place, JSON.stringify({ ...draft, ...filled }));
    const { market, date, compare } = scope;
    const params = new URLSearchParams({
      market,
      date,
      compare,
      ...(part === 'targets' ? {} : { view: 'list' }),
    });
    // The form that is open already reads its draft again.
    void navigate(`/p/${project}/look-up?${params}`, { state: { filled: Date.now() } });
  };
}
