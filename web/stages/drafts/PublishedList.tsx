import { App, Button } from 'antd';
import { Fragment, useState } from 'react';
import { Empty } from '../../parts/words/Empty';
import { Waiting } from '../../parts/words/Waiting';
import { Problem } from '../../parts/words/Problem';
import { count, spelledDay } from '../../parts/words/figures';
import { useTrouble } from '../../parts/words/useTrouble';
import { useAskAgainMutation, useForgetChangeMutation, usePublishedQuery } from '../../state/publishedApi';
import { useScope } from '../../state/useScope';
import { NoteChange } from './NoteChange';
import { Differences } from './Differences';

/** What was published, and whether search shows it yet. */
export function PublishedList() {
  const { project, scope, change } = useScope();
  const { data, error } = usePublishedQuery({ project, market: scope.market }, { skip: scope.market === '' });
  const [askAgain, { isLoading }] = useAskAgainMutation();
  const { message } = App.useApp();
  const [forget] = useForgetChangeMutation();
  const trouble = useTrouble();
  const [opened, open] = useState<number | null>(null);
  if (error) return <Problem error={error} />;
  if (!data) return <Waiting for="what was published" />;
  if (data.length === 0)
    return (
      <>
        <NoteChange />
        <Empty title="Nothing was published yet">Publish a draft, or note what was done without one.</Empty>
      </>
    );
  const waiting = data.filter(({ seenFrom }) => seenFrom === null || seenFrom > scope.date).length;
  const ask = async (id: number): Promise<void> => {
    try {
      const { leftToday } = await askAgain({ project, change: id }).unwrap();
      void message.info(`Search was asked to look again. ${leftToday} more can be asked for today.`);
    } catch (problem) {
      trouble(problem);
    }
  };
  return (
    <>
      <h1>
        <b>{count(data.length)}</b> {data.length === 1 ? 'change was' : 'changes were'} published
        {waiting > 0 && `; search does not show ${waiting} of them yet`}
      </h1>
      <NoteChange />
      <table className="ledger" aria-label="Published">
        <thead>
          <tr>
            <th>Day</th>
            <th>Target</th>
            <th>Kind</th>
            <th>Aims at</th>
            <th>Search shows it</th>
            <th>Who</th>
            <th aria-label="What can be done" />
          </tr>
        </thead>
        <tbody>
          {data.map((one) => (
            <Fragment key={one.id}>
              <tr>
                <td className="no-break">{spelledDay(one.date)}</td>
                <td>
                  <button
                    className="plain"
                    aria-expanded={opened === one.id}
                    onClick={() => open(opened === one.id ? null : one.id)}
                  >
                    {one.address}
                  </button>
                </td>
                <td>
                  {one.state === 'by hand' ? `${one.kind}, by hand` : one.kind}
                  {one.note !== '' && <span className="soft under">{one.note}</span>}
                </td>
                <td>
                  {one.keywords[0]?.text}
                  {one.keywords.length > 1 && (
                    <span className="soft"> and {one.keywords.length - 1} more</span>
                  )}
                </td>
                <td>{seenWord(one, scope.date)}</td>
                <td>{one.person}</td>
                <td className="no-break">
                  {one.state !== 'asked' && (one.seenFrom === null || one.seenFrom > scope.date) && (
                    <Button size="small" loading={isLoading} onClick={() => void ask(one.id)}>
                      Ask for re-indexing
                    </Button>
                  )}{' '}
                  {one.draft !== null && (
                    <button className="plain written" onClick={() => change({ draft: one.draft })}>
                      its draft
                    </button>
                  )}
                  {one.state === 'by hand' && one.draft === null && (
                    <button
                      className="plain written soft"
                      onClick={() => void forget({ project, change: one.id }).unwrap().catch(trouble)}
                    >
                      Remove
                    </button>
                  )}
                </td>
              </tr>
              {opened === one.id && (
                <tr>
                  <td colSpan={7}>
                    <WhatChanged before={one.before} after={one.after} note={one.note} />
                  </td>
                </tr>
              )}
            </Fragment>
          ))}
        </tbody>
      </table>
    </>
  );
}

/** Fields before and after, or what was said of it where it had none. */
function WhatChanged({ note, ...fields }: { before: Copy; after: Copy; note: string }) {
  if (note !== '' && Object.keys(fields.after).length === 0) return <p>{note}</p>;
  return <Differences {...fields} names={['before', 'after']} />;
}
type Copy = Readonly<Record<string, string>>;

function seenWord(
  { state, seenFrom, askedAgain }: { state: string; seenFrom: string | null; askedAgain: string | null },
  today: string,
): string {
  if (state === 'asked') return 'nobody knows whether it arrived: publish it again';
  const asked = askedAgain === null ? '' : `, asked again ${spelledDay(askedAgain)}`;
  if (seenFrom === null) return `not known yet${asked}`;
  return seenFrom > today
    ? `expected from ${spelledDay(seenFrom)}${asked}`
    : `since ${spelledDay(seenFrom)}${asked}`;
}
