import { Ledger } from '../../parts/table/Ledger';
import { Problem } from '../../parts/words/Problem';
import { Waiting } from '../../parts/words/Waiting';
import { count, spelledDay } from '../../parts/words/figures';
import { useScope } from '../../state/useScope';
import { useWatchTargetsQuery } from '../../state/watchApi';
import { indexWords } from './watchWords';

const NAMED = 6;

/** What each target of ours serves, whether search knows it, and where several of ours come up for one keyword. */
export function WatchTargets() {
  const { project, scope, change } = useScope();
  const { market, date } = scope;
  const { data, error } = useWatchTargetsQuery({ project, market, date });
  if (error) return <Problem error={error} />;
  if (!data) return <Waiting for="the targets" />;
  return (
    <>
      <h2>Which of the keywords followed they serve</h2>
      <Ledger
        label="Our targets"
        rows={data.targets}
        keyOf={({ address }) => address}
        empty="None of ours is known to rank for a keyword that is followed."
        columns={[
          {
            head: 'Target',
            cell: ({ address, title }) => (
              <>
                <button className="plain written" onClick={() => change({ view: '', answering: address })}>
                  {title || address}
                </button>
                <span className="soft under">{address}</span>
              </>
            ),
          },
          { head: 'Keywords', figure: true, cell: ({ keywords }) => count(keywords.length) },
          {
            head: 'The best of them',
            cell: ({ keywords }) =>
              keywords
                .slice(0, NAMED)
                .map(({ text, position }) => `${text} ${position}`)
                .join(', '),
          },
          {
            head: 'In the index',
            tip: 'By every check of Roster, Index; changes of state with their day',
            cell: ({ index }) => indexWords(index),
          },
        ]}
      />
      <h2>Where several of ours come up for one keyword</h2>
      <Ledger
        label="Shared keywords"
        rows={data.shared}
        keyOf={({ id }) => id}
        empty="No keyword that is followed was ever held by more than one target of ours."
        columns={[
          {
            head: 'Keyword',
            cell: ({ id, text }) => (
              <button className="plain written" onClick={() => change({ open: id })}>
                {text}
              </button>
            ),
          },
          { head: 'Searches', figure: true, cell: ({ demand }) => count(demand) },
          {
            head: 'Who held it, from when on',
            cell: ({ course }) => (
              <ol className="holder-course">
                {course.slice(-NAMED).map(({ from, address, position }) => (
                  <li key={from}>
                    {spelledDay(from)}: <b>{position}</b> {address}
                  </li>
                ))}
              </ol>
            ),
          },
          { head: 'Changes', figure: true, cell: ({ course }) => count(course.length - 1) },
        ]}
      />
    </>
  );
}
