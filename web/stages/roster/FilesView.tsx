import type { SavedPage } from '@opsimath/contract/api/imports';
import type { Side } from '@opsimath/contract/api/targets';
import { Button, Input, Segmented } from 'antd';
import { useRef, useState } from 'react';
import { Problem } from '../../parts/words/Problem';
import { count } from '../../parts/words/figures';
import { useUploadPageMutation } from '../../state/filesApi';
import { useScope } from '../../state/useScope';
import { ImportPanel } from './ImportPanel';
import { useLookUpOf } from '../../state/useLookUpOf';

/** Own data in and out: tables, saved pages, and the whole project as one file. */
export function FilesView() {
  const { project } = useScope();
  return (
    <>
      <ImportPanel />
      <SavedPages />
      <section className="section">
        <h2>The whole project in one file</h2>
        <p className="soft">
          Targets, look-ups, captures, figures, words and settings. It can be brought in on the first page,
          here or elsewhere.
        </p>
        <Button href={`/api/projects/${project}/archive`}>Write the archive</Button>
      </section>
    </>
  );
}

/** Saved HTML pages become targets; the phrases of their titles and headings can go to a look-up. */
function SavedPages() {
  const { project, scope } = useScope();
  const [upload, { isLoading, error }] = useUploadPageMutation();
  const [side, setSide] = useState<Side>('rival');
  const [address, setAddress] = useState('');
  const [page, setPage] = useState<SavedPage | null>(null);
  const box = useRef<HTMLInputElement>(null);
  const take = async (file: File): Promise<void> => {
    const answer = await upload({ project, file, market: scope.market, side, address }).unwrap();
    setPage(answer.page);
    setAddress('');
  };
  const lookUp = useLookUpOf();
  return (
    <section className="section">
      <h2>Saved pages</h2>
      <p className="soft">
        A page saved as HTML: its title, description, headings, text, and product and video data. Nothing in
        it is run.
      </p>
      <div className="find-form">
        <Segmented
          size="small"
          value={side}
          options={[
            { value: 'rival', label: 'a rival’s' },
            { value: 'own', label: 'ours' },
          ]}
          onChange={setSide}
        />
        <Input
          aria-label="Address of the page"
          placeholder="Its address, if the page does not say it"
          value={address}
          style={{ width: 280 }}
          onChange={(event) => setAddress(event.target.value)}
        />
        <input
          ref={box}
          type="file"
          accept=".html,.htm,text/html"
          aria-label="Saved page"
          className="read-only"
          tabIndex={-1}
          onChange={(event) => {
            const file = event.target.files?.[0];
            if (file) void take(file).catch(() => undefined);
            event.target.value = '';
          }}
        />
        <Button onClick={() => box.current?.click()} loading={isLoading}>
          Choose a page
        </Button>
      </div>
      {error && <Problem error={error} />}
      {page && (
        <div className="sheet saved-page" role="status">
          <h3>{page.title || page.address}</h3>
          <p className="soft">
            {page.address} · {count(page.words)} words, {count(page.headings.length)} headings
            {page.product &&
              `, product “${page.product.name}” at ${page.product.price ?? 'unknown'} ${page.product.currency ?? ''}`}
            {page.video && `, video “${page.video.name}”`}
          </p>
          {page.notes.map((note) => (
            <p key={note} className="soft">
              {note}
            </p>
          ))}
          <p>{page.phrases.slice(0, 24).join(' · ')}</p>
          <Button size="small" onClick={() => lookUp(page.phrases, 'list')}>
            Look up figures of its {count(page.phrases.length)} phrases
          </Button>
        </div>
      )}
    </section>
  );
}
