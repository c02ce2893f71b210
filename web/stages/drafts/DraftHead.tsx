import type { Draft } from '@opsimath/contract/api/drafts';
import type { DraftCoverage } from '@opsimath/core/copy/draftCoverage';
import { App, Button, Dropdown, Input } from 'antd';
import { count } from '../../parts/words/figures';
import type { Changed, Keeping } from '../../state/draftKeeper';
import { useScope } from '../../state/useScope';
import { DraftName } from './DraftName';

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
  const { message } = App.useApp();
  const whole = coverage.keywords.filter((one) => one.coverage === 'whole').length;
  return (
    <header className="stage-head draft-head">
      <div>
        <h1 className="stage-title">
          <b>
            {whole} of {copy.keywords.length}
          </b>{' '}
          keywords are whole in the copy
          {coverage.missing.length > 0 && (
            <>
              ; {coverage.missing.length === 1 ? 'one word' : `${coverage.missing.length} words`} would bring{' '}
              {count(Math.round(coverage.volume - coverage.covered))} searches more
            </>
          )}
        </h1>
        <p className="soft">
          <DraftName name={copy.name} onName={(name) => change({ name })} />
          {copy.kind} for{' '}
          <Input
            size="small"
            variant="borderless"
            aria-label="Address of the target"
            placeholder="a planned target: its address"
            style={{ width: 300 }}
            value={copy.address}
            onChange={({ target }) => change({ address: target.value.trim() })}
          />
          <span role="status">{typeof keeping === 'string' ? KEEPING[keeping] : ''}</span> · {copy.state}
        </p>
      </div>
      <span className="stage-tools">
        <Button size="small" disabled={copy.keywords.length === 0} onClick={() => onOpen('titles')}>
          Build a title…
        </Button>
        <Dropdown
          trigger={['click']}
          menu={{
            items: [
              {
                key: 'brief',
                label: (
                  <a href={`/api/projects/${project}/drafts/${copy.id}/brief?date=${scope.date}`}>
                    Brief for a writer
                  </a>
                ),
              },
              {
                key: 'copy',
                label: 'Copy the brief',
                onClick: () =>
                  void copyBrief(`/api/projects/${project}/drafts/${copy.id}/brief?date=${scope.date}`)
                    .then(() => message.info('The brief is on the clipboard, with its formatting.'))
                    .catch(() => message.warning('The brief could not be copied: download it instead.')),
              },
              { key: 'back', label: 'Bring a text in…', onClick: () => onOpen('text') },
            ],
          }}
        >
          <Button size="small">Writer…</Button>
        </Dropdown>
        <Button size="small" onClick={() => onOpen('versions')}>
          Versions…
        </Button>
        <Button size="small" onClick={onChecks}>
          Check list {done} of {checks}
        </Button>
        <Button size="small" type="primary" onClick={() => onOpen('publish')}>
          Publish…
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

const KEEPING = { kept: 'kept', keeping: 'keeping…', waiting: 'not sent yet; kept in this browser' };
