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
import { t } from '../../words/t';

/** Own data in and out: tables, saved pages, and the whole project as one file. */
export function FilesView() {
  const { project } = useScope();
  return (
    <>
      <ImportPanel />
      <SavedPages />
      <section className="section">
        <h2>{t('roster:FilesView.theWholeProjectInOneFile')}</h2>
        <p className="soft">{t('roster:FilesView.targetsLookUpsCapturesFiguresWords')}</p>
        <Button href={`/api/projects/${project}/archive`}>{t('roster:FilesView.writeTheArchive')}</Button>
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
      <h2>{t('roster:FilesView.savedPages')}</h2>
      <p className="soft">{t('roster:FilesView.aPageSavedAsHTMLIts')}</p>
      <div className="find-form">
        <Segmented
          size="small"
          value={side}
          options={[
            { value: 'rival', label: t('roster:FilesView.aRivalS') },
            { value: 'own', label: t('roster:FilesView.ours') },
          ]}
          onChange={setSide}
        />
        <Input
          aria-label={t('roster:FilesView.addressOfThePage')}
          placeholder={t('roster:FilesView.itsAddressIfThePageDoes')}
          value={address}
          style={{ width: 280 }}
          onChange={(event) => setAddress(event.target.value)}
        />
        <input
          ref={box}
          type="file"
          accept=".html,.htm,text/html"
          aria-label={t('roster:FilesView.savedPage')}
          className="read-only"
          tabIndex={-1}
          onChange={(event) => {
            const file = event.target.files?.[0];
            if (file) void take(file).catch(() => undefined);
            event.target.value = '';
          }}
        />
        <Button onClick={() => box.current?.click()} loading={isLoading}>
          {t('roster:FilesView.chooseAPage')}
        </Button>
      </div>
      {error && <Problem error={error} />}
      {page && (
        <div className="sheet saved-page" role="status">
          <h3>{page.title || page.address}</h3>
          <p className="soft">
            {t('roster:FilesView.addressWordsWordsHeadingsHeadings', {
              address: page.address,
              words: count(page.words),
              headings: count(page.headings.length),
            })}
            {page.product &&
              t('roster:FilesView.productNameAtPriceCurrency', {
                name: page.product.name,
                price: page.product.price ?? t('roster:FilesView.unknown'),
                currency: page.product.currency ?? '',
              })}
            {page.video && t('roster:FilesView.videoName', { name: page.video.name })}
          </p>
          {page.notes.map((note) => (
            <p key={note} className="soft">
              {note}
            </p>
          ))}
          <p>{page.phrases.slice(0, 24).join(' · ')}</p>
          <Button size="small" onClick={() => lookUp(page.phrases, 'list')}>
            {t('roster:FilesView.lookUpFiguresOfItsPhrases', { phrases: count(page.phrases.length) })}
          </Button>
        </div>
      )}
    </section>
  );
}
