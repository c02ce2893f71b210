import type { GapQuery } from '@opsimath/contract/api/gapQuery';
import { App } from 'antd';
import { useTrackMutation } from '../../state/gapsApi';
import { useLookUpOf } from '../../state/useLookUpOf';
import { useScope } from '../../state/useScope';
import { useTrouble } from '../words/useTrouble';
import { ActPopover } from './ActPopover';
import { CaptureSheet } from './CaptureSheet';
import { CopySheet } from './CopySheet';
import { FORMATS, exportAddress } from './exportAddress';
import { JudgeSheet } from './JudgeSheet';
import { ListSheet } from './ListSheet';
import { Markers } from './Markers';
import { NoteSheet } from './NoteSheet';
import { type ActedOn, nameOf } from './keywordsActedOn';
import { useIntoRound } from './useIntoRound';

/** More ids than an address should carry. */
const MOST_IN_FILE = 1500;

interface KeywordActsProps {
  keywords: readonly ActedOn[];
  /** Followed or not; `null` where it is not known, which offers to follow. */
  tracked?: boolean;
}

/** Everything that can be done to keywords where they stand: the same in the tray and in a dossier. */
export function KeywordActs({ keywords, tracked = false }: KeywordActsProps) {
  const { project, comparison } = useScope();
  const lookUp = useLookUpOf();
  const ids = keywords.map(({ id }) => id);
  const intoRound = useIntoRound(project, ids);
  const follow = useFollow(keywords);
  const file: GapQuery = { ...comparison, chosen: ids.slice(0, MOST_IN_FILE), limit: 500 };
  return (
    <>
      <ActPopover name="Judge" tip="A verdict, with its reason">
        {(close) => <JudgeSheet keywords={keywords} onDone={close} />}
      </ActPopover>
      <ActPopover name="List" tip="Into a list, or a new one">
        {(close) => <ListSheet keywords={keywords} onDone={close} />}
      </ActPopover>
      <ActPopover name="Mark" tip="A mark that decides nothing">
        {() => <Markers keywords={ids} />}
      </ActPopover>
      <ActPopover name="Note" tip="A note that stands wherever the keyword does">
        {(close) => <NoteSheet keywords={keywords} onDone={close} />}
      </ActPopover>
      <button className="plain written" onClick={() => void follow(!tracked)}>
        {tracked ? 'Stop tracking' : 'Track'}
      </button>
      <ActPopover name="Capture" tip="Its result page, fetched now; the price comes first">
        {(close) => (
          <CaptureSheet keywords={keywords.map(({ text }) => text)} what={nameOf(keywords)} onDone={close} />
        )}
      </ActPopover>
      <button
        className="plain written"
        title="A look-up of these keywords; its price is shown before anything is spent."
        onClick={() =>
          lookUp(
            keywords.map(({ text }) => text),
            'list',
          )
        }
      >
        Look up
      </button>
      <button
        className="plain written"
        title="What is best for each goes into the round that is on, as a piece of work"
        onClick={() => void intoRound(false)}
      >
        Into a round
      </button>
      {keywords.length > 1 && (
        <button
          className="plain written"
          title="One new target for all of them goes into the round that is on, as one piece of work"
          onClick={() => void intoRound(true)}
        >
          As one page
        </button>
      )}
      <ActPopover name="Copy">{(close) => <CopySheet keywords={keywords} onDone={close} />}</ActPopover>
      {ids.length <= MOST_IN_FILE && (
        <ActPopover name="Export" tip="A file of these keywords with their figures">
          {(close) =>
            FORMATS.map(({ format, name }) => (
              <div key={format} className="act-line">
                <a href={exportAddress(project, file, format)} onClick={close}>
                  {name}
                </a>
              </div>
            ))
          }
        </ActPopover>
      )}
    </>
  );
}

function useFollow(keywords: readonly ActedOn[]): (follow: boolean) => Promise<void> {
  const { project } = useScope();
  const [track] = useTrackMutation();
  const { message } = App.useApp();
  const trouble = useTrouble();
  return async (follow) => {
    const ask = { project, keywords: keywords.map(({ id }) => id) };
    try {
      await track({ ...ask, follow }).unwrap();
    } catch (error) {
      trouble(error);
      return;
    }
    void message.open({
      content: (
        <span>
          {keywords.length === 1 ? `“${keywords[0]!.text}” is` : `${keywords.length} keywords are`}{' '}
          {follow ? 'tracked' : 'tracked no longer'}.{' '}
          <button className="plain written" onClick={() => void track({ ...ask, follow: !follow })}>
            Undo
          </button>
        </span>
      ),
      duration: 6,
    });
  };
}
