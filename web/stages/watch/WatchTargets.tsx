import { Ledger } from '../../parts/table/Ledger';
import { Problem } from '../../parts/words/Problem';
import { Waiting } from '../../parts/words/Waiting';
import { count, spelledDay } from '../../parts/words/figures';
import { useScope } from '../../state/useScope';
import { useWatchTargetsQuery } from '../../state/watchApi';
import { indexWords } from './watchWords';
import { t } from '../../words/t';

const NAMED = 6;

/** What each target of ours serves, whether search knows it, and where several of ours come up for one keyword. */
export function WatchTargets() {
  const { project, scope, change } = useScope();
  const { market, date } = scope;
  const { data, error } = useWatchTargetsQuery({ project, market, date });
  if (error) return <Problem error={error} />;
  if (!data) return <Waiting for={t('watch:WatchTargets.theTargets')} />;
  return (
    <>
      <h2>{t('watch:WatchTargets.whichOfTheKeywordsFollowedThey')}</h2>
      <Ledger
        label={t('watch:WatchTargets.ourTargets')}
        rows={data.targets}
        keyOf={({ address }) => address}
        empty={t('watch:WatchTargets.noneOfOursIsKnownTo')}
        columns={[
          {
            head: t('watch:WatchTargets.target'),
            cell: ({ address, title }) => (
              <>
                <button className="plain written" onClick={() => change({ view: '', answering: address })}>
                  {title || address}
                </button>
                <span className="soft under">{address}</span>
              </>
            ),
          },
          {
            head: t('watch:WatchTargets.keywords'),
            figure: true,
            cell: ({ keywords }) => count(keywords.length),
          },
          {
            head: t('watch:WatchTargets.theBestOfThem'),
            cell: ({ keywords }) =>
              keywords
                .slice(0, NAMED)
                .map(({ text, position }) => `${text} ${position}`)
                .join(', '),
          },
          {
            head: t('watch:WatchTargets.inTheIndex'),
            tip: t('watch:WatchTargets.byEveryCheckOfRosterIndex'),
            cell: ({ index }) => indexWords(index),
          },
        ]}
      />
      <h2>{t('watch:WatchTargets.whereSeveralOfOursComeUp')}</h2>
      <Ledger
        label={t('watch:WatchTargets.sharedKeywords')}
        rows={data.shared}
        keyOf={({ id }) => id}
        empty={t('watch:WatchTargets.noKeywordThatIsFollowedWas')}
        columns={[
          {
            head: t('watch:WatchTargets.keyword'),
            cell: ({ id, text }) => (
              <button className="plain written" onClick={() => change({ open: id })}>
                {text}
              </button>
            ),
          },
          { head: t('watch:WatchTargets.searches'), figure: true, cell: ({ demand }) => count(demand) },
          {
            head: t('watch:WatchTargets.whoHeldItFromWhenOn'),
            cell: ({ course }) => (
              <ol className="holder-course">
                {course.slice(-NAMED).map(({ from, address, position }) => (
                  <li key={from}>
                    {spelledDay(from)}
                    {': '}
                    <b>{position}</b> {address}
                  </li>
                ))}
              </ol>
            ),
          },
          {
            head: t('watch:WatchTargets.changes'),
            figure: true,
            cell: ({ course }) => count(course.length - 1),
          },
        ]}
      />
    </>
  );
}
