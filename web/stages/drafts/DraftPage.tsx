import type { Draft } from '@opsimath/contract/api/drafts';
import { fieldsOfDraft } from '@opsimath/core/copy/draftFields';
import { Button, Input, Segmented, Spin } from 'antd';
import { useCallback, useMemo, useRef, useState } from 'react';
import { Problem } from '../../parts/words/Problem';
import { count } from '../../parts/words/figures';
import { useDraftQuery } from '../../state/draftsApi';
import { useScope } from '../../state/useScope';
import { AdGroupPage } from './AdGroupPage';
import { CheckList, checksOf } from './CheckList';
import { FieldEditor } from './FieldEditor';
import { FrontSide } from './FrontSide';
import { KeywordsServed } from './KeywordsServed';
import { PackSlots } from './PackSlots';
import { PublishForm } from './PublishForm';
import { TitleIdeas } from './TitleIdeas';
import { Versions } from './Versions';
import { WordsToPlace } from './WordsToPlace';
import { useDraftCopy } from './useDraftCopy';
import { useDraftFacts } from './useDraftFacts';

/** One draft, as it is being written. */
export function DraftPage({ id }: { id: number }) {
  const { project, scope } = useScope();
  const { data, error } = useDraftQuery({ project, id, date: scope.date }, { skip: scope.date === '' });
  if (error) return <Problem error={error} />;
  if (!data) return <Spin style={{ marginTop: 16 }} />;
  return data.kind === 'ad group' ? <AdGroupPage draft={data} /> : <Manuscript draft={data} />;
}

const RIGHT = ['Words to place', 'Keywords', 'Check list'] as const;

function Manuscript({ draft }: { draft: Draft }) {
  const { change: go } = useScope();
  const written = useDraftCopy(draft);
  const { copy, keeping, change, setField: write, setLimit: limit } = written;
  const facts = useDraftFacts(copy);
  const { coverage } = facts;
  const [side, setSide] = useState<(typeof RIGHT)[number]>('Words to place');
  const [open, setOpen] = useState<'versions' | 'publish' | 'titles' | null>(null);
  const fields = useMemo(() => fieldsOfDraft(copy.kind, copy.limits), [copy.kind, copy.limits]);
  const focus = useRef<{ name: string; area: HTMLTextAreaElement } | null>(null);
  const onFocus = useCallback(
    (name: string, area: HTMLTextAreaElement) => (focus.current = { name, area }),
    [],
  );
  const phrases = useMemo(() => copy.keywords.map(({ key }) => key), [copy.keywords]);
  const whole = coverage.keywords.filter((one) => one.coverage === 'whole').length;
  const checks = checksOf(copy, fields, facts);
  const done = checks.filter((one) => one.done).length;
  return (
    <div className="drafts">
      <header className="stage-head draft-head">
        <div>
          <h1 className="stage-title">
            <b>
              {whole} of {copy.keywords.length}
            </b>{' '}
            keywords are whole in the copy
            {coverage.missing.length > 0 && (
              <>
                ; {coverage.missing.length === 1 ? 'one word' : `${coverage.missing.length} words`} would
                bring {count(Math.round(coverage.volume - coverage.covered))} searches more
              </>
            )}
          </h1>
          <p className="soft">
            <button className="plain written" onClick={() => go({ draft: null })}>
              Drafts
            </button>{' '}
            ›{' '}
            <Input
              size="small"
              variant="borderless"
              aria-label="Name of the draft"
              style={{ width: 200 }}
              value={copy.name}
              onChange={({ target }) => target.value.trim() !== '' && change({ name: target.value })}
            />
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
          <Button size="small" disabled={copy.keywords.length === 0} onClick={() => setOpen('titles')}>
            Build a title…
          </Button>
          <Button size="small" onClick={() => setOpen('versions')}>
            Versions…
          </Button>
          <Button size="small" onClick={() => setSide('Check list')}>
            Check list {done} of {checks.length}
          </Button>
          <Button size="small" type="primary" onClick={() => setOpen('publish')}>
            Publish…
          </Button>
        </span>
      </header>
      {typeof keeping === 'object' && (
        <p className="problem" role="alert">
          {keeping.clash} What you typed is still here: copy what you need, then{' '}
          <button className="plain written" onClick={written.takeTheirs}>
            show what stands now
          </button>
          .
        </p>
      )}
      <div className="draft-body">
        <FrontSide draft={copy} />
        <section className="draft-sheet" aria-label="Manuscript">
          {fields.map((field) => (
            <FieldEditor
              key={field.name}
              field={field}
              text={copy.fields[field.name] ?? ''}
              banned={copy.banned}
              phrases={phrases}
              onWrite={write}
              onLimit={limit}
              onFocus={onFocus}
            />
          ))}
          <PackSlots draft={copy} fields={fields} facts={facts} onWrite={write} />
        </section>
        <aside className="draft-right" aria-label="What it should hold">
          <Segmented
            size="small"
            value={side}
            options={[...RIGHT]}
            onChange={(next) => setSide(next as (typeof RIGHT)[number])}
          />
          {side === 'Words to place' && (
            <WordsToPlace
              draft={copy}
              fields={fields}
              facts={facts}
              onWrite={write}
              focusOf={() => focus.current}
            />
          )}
          {side === 'Keywords' && <KeywordsServed draft={copy} facts={facts} onChange={change} />}
          {side === 'Check list' && <CheckList draft={copy} checks={checks} onChange={change} />}
        </aside>
      </div>
      {open === 'titles' && (
        <TitleIdeas
          draft={copy}
          fields={fields}
          facts={facts}
          onWrite={write}
          onClose={() => setOpen(null)}
        />
      )}
      {open === 'versions' && <Versions draft={copy} onChange={change} onClose={() => setOpen(null)} />}
      {open === 'publish' && (
        <PublishForm draft={copy} checks={checks} isKept={keeping === 'kept'} onClose={() => setOpen(null)} />
      )}
    </div>
  );
}

const KEEPING = { kept: 'kept', keeping: 'keeping…', waiting: 'not sent yet; kept in this browser' };
