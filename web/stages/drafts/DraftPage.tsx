import type { Draft } from '@opsimath/contract/api/drafts';
import { fieldsOfDraft } from '@opsimath/core/copy/draftFields';
import { Segmented } from 'antd';
import { useCallback, useMemo, useRef, useState } from 'react';
import { Problem } from '../../parts/words/Problem';
import { Waiting } from '../../parts/words/Waiting';
import { useDraftMaterialQuery, useDraftQuery } from '../../state/draftsApi';
import { useScope } from '../../state/useScope';
import { AdGroupPage } from './AdGroupPage';
import { BringText } from './BringText';
import { CheckList, checksOf } from './CheckList';
import { DraftHead, type DraftPart } from './DraftHead';
import { FieldEditor } from './FieldEditor';
import { FrontSide } from './FrontSide';
import { KeywordsServed } from './KeywordsServed';
import { OpeningLine } from './OpeningLine';
import { PackSlots } from './PackSlots';
import { PublishForm } from './PublishForm';
import { SecondCopy } from './SecondCopy';
import { TagIdeas } from './TagIdeas';
import { TitleIdeas } from './TitleIdeas';
import { Versions } from './Versions';
import { WordsToPlace } from './WordsToPlace';
import { useBehind } from './useBehind';
import { useTitleStyle } from './useTitleStyle';
import { useDraftCopy } from './useDraftCopy';
import { useDraftFacts } from './useDraftFacts';
import { t, wordOf } from '../../words/t';

/** One draft, as it is being written. */
export function DraftPage({ id }: { id: number }) {
  const { project, scope } = useScope();
  const { data, error } = useDraftQuery({ project, id, date: scope.date }, { skip: scope.date === '' });
  if (error) return <Problem error={error} />;
  if (!data) return <Waiting for={t('drafts:DraftPage.theDraft')} />;
  return data.kind === 'ad group' ? <AdGroupPage draft={data} /> : <Manuscript draft={data} />;
}

const RIGHT = ['Words', 'Keywords', 'Checks', 'Language'] as const;

function Manuscript({ draft }: { draft: Draft }) {
  const written = useDraftCopy(draft);
  const { copy, keeping, change, setField: write, setLimit: limit } = written;
  // What is said of the copy follows behind the typing, however long the copy is.
  const behind = useBehind(copy);
  const facts = useDraftFacts(behind);
  const { coverage } = facts;
  const [side, setSide] = useState<(typeof RIGHT)[number]>('Words');
  const [open, setOpen] = useState<DraftPart | null>(null);
  const fields = useMemo(() => fieldsOfDraft(copy.kind, copy.limits), [copy.kind, copy.limits]);
  const focus = useRef<{ name: string; area: HTMLTextAreaElement } | null>(null);
  const onFocus = useCallback(
    (name: string, area: HTMLTextAreaElement) => (focus.current = { name, area }),
    [],
  );
  const phrases = useMemo(() => copy.keywords.map(({ key }) => key), [copy.keywords]);
  const { project, scope } = useScope();
  const { data: material } = useDraftMaterialQuery({ project, id: draft.id, date: scope.date });
  const [style] = useTitleStyle(draft.market);
  const focusOf = useCallback(() => focus.current, []);
  const checks = useMemo(() => checksOf(behind, fields, facts, style), [behind, fields, facts, style]);
  const done = checks.filter((one) => one.done).length;
  return (
    <div className="drafts">
      <DraftHead
        copy={copy}
        keeping={keeping}
        coverage={coverage}
        done={done}
        checks={checks.length}
        onChange={change}
        onOpen={setOpen}
        onChecks={() => setSide('Checks')}
      />
      {typeof keeping === 'object' && (
        <p className="problem" role="alert">
          {t('drafts:DraftPage.clashWhatYouTypedIsStill', { clash: keeping.clash })}{' '}
          <button className="plain written" onClick={written.takeTheirs}>
            {t('drafts:DraftPage.showWhatStandsNow')}
          </button>
          .
        </p>
      )}
      <div className="draft-body">
        <FrontSide
          draft={behind}
          fields={fields}
          material={material}
          textOf={written.textOf}
          onWrite={write}
        />
        <section className="draft-sheet" aria-label={t('drafts:DraftPage.manuscript')}>
          {fields.map((field) => (
            <FieldEditor
              key={field.name}
              field={field}
              text={copy.fields[field.name] ?? ''}
              held={facts.fields.find(({ name }) => name === field.name)}
              banned={copy.banned}
              phrases={phrases}
              onWrite={write}
              onLimit={limit}
              onFocus={onFocus}
            />
          ))}
          <TagIdeas draft={behind} fields={fields} material={material} onWrite={write} />
          <PackSlots draft={behind} fields={fields} facts={facts} material={material} onWrite={write} />
        </section>
        <aside className="draft-right" aria-label={t('drafts:DraftPage.whatItShouldHold')}>
          <Segmented
            size="small"
            value={side}
            options={RIGHT.map((value) => ({ value, label: wordOf(value) }))}
            onChange={(next) => setSide(next as (typeof RIGHT)[number])}
          />
          {side === 'Words' && (
            <WordsToPlace
              draft={behind}
              fields={fields}
              facts={facts}
              onWrite={write}
              textOf={written.textOf}
              focusOf={focusOf}
            />
          )}
          {side === 'Keywords' && <KeywordsServed draft={behind} facts={facts} onChange={change} />}
          {side === 'Checks' && (
            <>
              <CheckList draft={copy} checks={checks} onChange={change} />
              <OpeningLine draft={behind} onChange={change} />
            </>
          )}
          {side === 'Language' && <SecondCopy draft={copy} fields={fields} onChange={change} />}
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
      {open === 'text' && (
        <BringText draft={copy} fields={fields} onChange={change} onClose={() => setOpen(null)} />
      )}
      {open === 'versions' && <Versions draft={copy} onChange={change} onClose={() => setOpen(null)} />}
      {open === 'publish' && (
        <PublishForm draft={copy} checks={checks} isKept={keeping === 'kept'} onClose={() => setOpen(null)} />
      )}
    </div>
  );
}
