import type { Draft } from '@opsimath/contract/api/drafts';
import type { DraftCoverage } from '@opsimath/core/copy/draftCoverage';
import { Button, Dropdown, Input } from 'antd';
import { count } from '../../parts/words/figures';
import { useMessages } from '../../state/messages';
import type { Changed, Keeping } from '../../state/draftKeeper';
import { useScope } from '../../state/useScope';
import { DraftName } from './DraftName';
import { Told } from '../../words/Told';
import { t, wordOf } from '../../words/t';

/** What can be opened over the manuscript. */
export type DraftPart = 'versions' | 'publish' | 'titles' | 'text';

interface DraftHeadProps {
  copy: Draft;
  keeping: Keeping;
  coverage: DraftCoverage;
  /** Items of the check list that are done, and all of them. */
  done: number;
  checks: number;
  onChange: (change: Changed) => void;
  onOpen: (part: DraftPart) => void;
  onChecks: () => void;
}

/** How far the copy is, whose it is, and what can be done with it. */
export function DraftHead({
  copy,
  keeping,
  coverage,
  done,
  checks,
  onChange: change,
  onOpen,
  onChecks,
}: DraftHeadProps) {
  const { project, scope } = useScope();
  const message = useMessages();
  const whole = coverage.keywords.filter((one) => one.coverage === 'whole').length;
  return (
    <header className="stage-head draft-head">
      <div>
        <h1 className="stage-title">
          <Told
            id="drafts:DraftHead.wholeOfKeywordsKeywordsAreWhole"
            values={{ whole, keywords: copy.keywords.length }}
            parts={{ b: <b /> }}
          />
          {coverage.missing.length > 0 && (
            <>
              {t('drafts:DraftHead.whichWouldBringVolumeSearchesMore', {
                which:
                  coverage.missing.length === 1
                    ? t('drafts:DraftHead.oneWord')
                    : t('drafts:DraftHead.missingWords', { missing: coverage.missing.length }),
                volume: count(Math.round(coverage.volume - coverage.covered)),
              })}
            </>
          )}
        </h1>
        <p className="soft">
          <DraftName name={copy.name} onName={(name) => change({ name })} />
          {t('drafts:DraftHead.kindFor', { kind: wordOf(copy.kind) })}{' '}
          <Input
            size="small"
            variant="borderless"
            aria-label={t('drafts:DraftHead.addressOfTheTarget')}
            placeholder={t('drafts:DraftHead.aPlannedTargetItsAddress')}
            style={{ width: 300 }}
            value={copy.address}
            onChange={({ target }) => change({ address: target.value.trim() })}
          />
          <span role="status">{typeof keeping === 'string' ? KEEPING[keeping] : ''}</span>
          {' · '}
          {wordOf(copy.state)}
        </p>
      </div>
      <span className="stage-tools">
        <Button size="small" disabled={copy.keywords.length === 0} onClick={() => onOpen('titles')}>
          {t('drafts:DraftHead.buildATitle')}
        </Button>
        <Dropdown
          trigger={['click']}
          menu={{
            items: [
              {
                key: 'brief',
                label: (
                  <a href={`/api/projects/${project}/drafts/${copy.id}/brief?date=${scope.date}`}>
                    {t('drafts:DraftHead.briefForAWriter')}
                  </a>
                ),
              },
              {
                key: 'copy',
                label: t('drafts:DraftHead.copyTheBrief'),
                onClick: () =>
                  void copyBrief(`/api/projects/${project}/drafts/${copy.id}/brief?date=${scope.date}`)
                    .then(() => message.info(t('drafts:DraftHead.theBriefIsOnTheClipboard')))
                    .catch(() => message.warning(t('drafts:DraftHead.theBriefCouldNotBeCopied'))),
              },
              { key: 'back', label: t('drafts:DraftHead.bringATextIn'), onClick: () => onOpen('text') },
            ],
          }}
        >
          <Button size="small">{t('drafts:DraftHead.writer')}</Button>
        </Dropdown>
        <Button size="small" onClick={() => onOpen('versions')}>
          {t('drafts:DraftHead.versions')}
        </Button>
        <Button size="small" onClick={onChecks}>
          {t('drafts:DraftHead.checkListDoneOfChecks', { done, checks })}
        </Button>
        <Button size="small" type="primary" onClick={() => onOpen('publish')}>
          {t('drafts:DraftHead.publish')}
        </Button>
      </span>
    </header>
  );
}

/** Puts a brief on the clipboard as Markdown, and with its formatting where a document takes it. */
async function copyBrief(address: string): Promise<void> {
  const read = async (format: string): Promise<Blob> => {
    const answer = await fetch(`${address}&format=${format}`);
    if (!answer.ok) throw new Error(answer.statusText);
    return new Blob([await answer.text()], { type: format === 'html' ? 'text/html' : 'text/plain' });
  };
  const [plain, html] = [await read('md'), await read('html')];
  await navigator.clipboard.write([new ClipboardItem({ 'text/plain': plain, 'text/html': html })]);
}

const KEEPING = {
  kept: wordOf('kept'),
  keeping: wordOf('keeping…'),
  waiting: t('drafts:DraftHead.notSentYetKeptInThis'),
};
