import type { GapQuery } from '@opsimath/contract/api/gapQuery';
import { useMessages } from '../../state/messages';
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
import { t } from '../../words/t';

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
      <ActPopover name={t('parts:KeywordActs.judge')} tip={t('parts:KeywordActs.aVerdictWithItsReason')}>
        {(close) => <JudgeSheet keywords={keywords} onDone={close} />}
      </ActPopover>
      <ActPopover name={t('parts:KeywordActs.list')} tip={t('parts:KeywordActs.intoAListOrANew')}>
        {(close) => <ListSheet keywords={keywords} onDone={close} />}
      </ActPopover>
      <ActPopover name={t('parts:KeywordActs.mark')} tip={t('parts:KeywordActs.aMarkThatDecidesNothing')}>
        {() => <Markers keywords={ids} />}
      </ActPopover>
      <ActPopover name={t('parts:KeywordActs.note')} tip={t('parts:KeywordActs.aNoteThatStandsWhereverThe')}>
        {(close) => <NoteSheet keywords={keywords} onDone={close} />}
      </ActPopover>
      <button className="plain written" onClick={() => void follow(!tracked)}>
        {tracked ? t('parts:KeywordActs.stopTracking') : t('parts:KeywordActs.track')}
      </button>
      <ActPopover
        name={t('parts:KeywordActs.capture')}
        tip={t('parts:KeywordActs.itsResultPageFetchedNowThe')}
      >
        {(close) => (
          <CaptureSheet keywords={keywords.map(({ text }) => text)} what={nameOf(keywords)} onDone={close} />
        )}
      </ActPopover>
      <button
        className="plain written"
        title={t('parts:KeywordActs.aLookUpOfTheseKeywords')}
        onClick={() =>
          lookUp(
            keywords.map(({ text }) => text),
            'list',
          )
        }
      >
        {t('parts:KeywordActs.lookUp')}
      </button>
      <button
        className="plain written"
        title={t('parts:KeywordActs.whatIsBestForEachGoes')}
        onClick={() => void intoRound(false)}
      >
        {t('parts:KeywordActs.intoARound')}
      </button>
      {keywords.length > 1 && (
        <button
          className="plain written"
          title={t('parts:KeywordActs.oneNewTargetForAllOf')}
          onClick={() => void intoRound(true)}
        >
          {t('parts:KeywordActs.asOnePage')}
        </button>
      )}
      <ActPopover name={t('parts:KeywordActs.copy')}>
        {(close) => <CopySheet keywords={keywords} onDone={close} />}
      </ActPopover>
      {ids.length <= MOST_IN_FILE && (
        <ActPopover
          name={t('parts:KeywordActs.export')}
          tip={t('parts:KeywordActs.aFileOfTheseKeywordsWith')}
        >
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
  const message = useMessages();
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
          {keywords.length === 1
            ? t('parts:KeywordActs.textIs', { text: keywords[0]!.text })
            : t('parts:KeywordActs.keywordsKeywordsAre', { keywords: keywords.length })}{' '}
          {follow ? t('parts:KeywordActs.tracked') : t('parts:KeywordActs.trackedNoLonger')}.{' '}
          <button className="plain written" onClick={() => void track({ ...ask, follow: !follow })}>
            {t('parts:KeywordActs.undo')}
          </button>
        </span>
      ),
      duration: 6,
    });
  };
}
