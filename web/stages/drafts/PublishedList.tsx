import { Button } from 'antd';
import { Fragment, useState } from 'react';
import { Empty } from '../../parts/words/Empty';
import { Waiting } from '../../parts/words/Waiting';
import { Problem } from '../../parts/words/Problem';
import { count, spelledDay } from '../../parts/words/figures';
import { useTrouble } from '../../parts/words/useTrouble';
import { useMessages } from '../../state/messages';
import { useAskAgainMutation, useForgetChangeMutation, usePublishedQuery } from '../../state/publishedApi';
import { useScope } from '../../state/useScope';
import { NoteChange } from './NoteChange';
import { Differences } from './Differences';
import { Told } from '../../words/Told';
import { t, wordOf } from '../../words/t';

/** What was published, and whether search shows it yet. */
export function PublishedList() {
  const { project, scope, change } = useScope();
  const { data, error } = usePublishedQuery({ project, market: scope.market }, { skip: scope.market === '' });
  const [askAgain, { isLoading }] = useAskAgainMutation();
  const message = useMessages();
  const [forget] = useForgetChangeMutation();
  const trouble = useTrouble();
  const [opened, open] = useState<number | null>(null);
  if (error) return <Problem error={error} />;
  if (!data) return <Waiting for={t('drafts:PublishedList.whatWasPublished')} />;
  if (data.length === 0)
    return (
      <>
        <NoteChange />
        <Empty title={t('drafts:PublishedList.nothingWasPublishedYet')}>
          {t('drafts:PublishedList.publishADraftOrNoteWhat')}
        </Empty>
      </>
    );
  const waiting = data.filter(({ seenFrom }) => seenFrom === null || seenFrom > scope.date).length;
  const ask = async (id: number): Promise<void> => {
    try {
      const { leftToday } = await askAgain({ project, change: id }).unwrap();
      void message.info(t('drafts:PublishedList.searchWasAskedToLookAgain', { leftToday }));
    } catch (problem) {
      trouble(problem);
    }
  };
  return (
    <>
      <h1>
        <Told
          id="drafts:PublishedList.dataWhichPublished"
          values={{
            data: count(data.length),
            which:
              data.length === 1 ? t('drafts:PublishedList.changeWas') : t('drafts:PublishedList.changesWere'),
          }}
          parts={{ b: <b /> }}
        />
        {waiting > 0 && t('drafts:PublishedList.searchDoesNotShowWaitingOf', { waiting })}
      </h1>
      <NoteChange />
      <table className="ledger" aria-label={t('drafts:PublishedList.published')}>
        <thead>
          <tr>
            <th>{t('drafts:PublishedList.day')}</th>
            <th>{t('drafts:PublishedList.target')}</th>
            <th>{t('drafts:PublishedList.kind')}</th>
            <th>{t('drafts:PublishedList.aimsAt')}</th>
            <th>{t('drafts:PublishedList.searchShowsIt')}</th>
            <th>{t('drafts:PublishedList.who')}</th>
            <th aria-label={t('drafts:PublishedList.whatCanBeDone')} />
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
                  {one.state === 'by hand'
                    ? t('drafts:PublishedList.kindByHand', { kind: wordOf(one.kind) })
                    : wordOf(one.kind)}
                  {one.note !== '' && <span className="soft under">{one.note}</span>}
                </td>
                <td>
                  {one.keywords[0]?.text}
                  {one.keywords.length > 1 && (
                    <span className="soft">
                      {' '}
                      {t('drafts:PublishedList.andKeywordsMore', { keywords: one.keywords.length - 1 })}
                    </span>
                  )}
                </td>
                <td>{seenWord(one, scope.date)}</td>
                <td>{one.person}</td>
                <td className="no-break">
                  {one.state !== 'asked' && (one.seenFrom === null || one.seenFrom > scope.date) && (
                    <Button size="small" loading={isLoading} onClick={() => void ask(one.id)}>
                      {t('drafts:PublishedList.askForReIndexing')}
                    </Button>
                  )}{' '}
                  {one.draft !== null && (
                    <button className="plain written" onClick={() => change({ draft: one.draft })}>
                      {t('drafts:PublishedList.itsDraft')}
                    </button>
                  )}
                  {one.state === 'by hand' && one.draft === null && (
                    <button
                      className="plain written soft"
                      onClick={() => void forget({ project, change: one.id }).unwrap().catch(trouble)}
                    >
                      {t('drafts:PublishedList.remove')}
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
  if (state === 'asked') return t('drafts:PublishedList.nobodyKnowsWhetherItArrivedPublish');
  const asked =
    askedAgain === null
      ? ''
      : t('drafts:PublishedList.askedAgainAskedAgain', { askedAgain: spelledDay(askedAgain) });
  if (seenFrom === null) return t('drafts:PublishedList.notKnownYetAsked', { asked });
  return seenFrom > today
    ? t('drafts:PublishedList.expectedFromSeenFromAsked', { seenFrom: spelledDay(seenFrom), asked })
    : t('drafts:PublishedList.sinceSeenFromAsked', { seenFrom: spelledDay(seenFrom), asked });
}
