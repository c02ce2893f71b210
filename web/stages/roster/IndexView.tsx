import { Button } from 'antd';
import { useRef, useState } from 'react';
import { Empty } from '../../parts/words/Empty';
import { Problem } from '../../parts/words/Problem';
import { count, counted, spelledDay } from '../../parts/words/figures';
import { useCheckIndexMutation, useIndexQuery } from '../../state/rosterApi';
import { useUploadSitemapMutation } from '../../state/filesApi';
import { useScope } from '../../state/useScope';
import { t, wordOf } from '../../words/t';

const ORDER = ['not indexed', 'waiting', 'unknown', 'indexed'];

/** Which own pages search knows: those of the roster and of the sitemap, as last checked. */
export function IndexView() {
  const { project, scope } = useScope();
  const { data, error } = useIndexQuery({ project, market: scope.market });
  const [check, { isLoading, error: checkError }] = useCheckIndexMutation();
  const [only, setOnly] = useState('');
  const pages = (data?.pages ?? [])
    .filter(({ state }) => only === '' || state === only)
    .sort((a, b) => ORDER.indexOf(a.state) - ORDER.indexOf(b.state) || (a.address < b.address ? -1 : 1));
  return (
    <section className="section">
      <h2>{t('roster:IndexView.ownPagesInTheIndex')}</h2>
      <div className="find-form">
        <SitemapBox />
        <Button
          onClick={() => void check({ project, market: scope.market })}
          loading={isLoading}
          disabled={data?.pages.length === 0}
        >
          {t('roster:IndexView.checkNow')}
        </Button>
        {data &&
          Object.entries(data.counts).map(([state, pagesOfState]) => (
            <button
              key={state}
              className="plain source"
              aria-pressed={only === state}
              onClick={() => setOnly(only === state ? '' : state)}
            >
              {state} <span className="faint">{count(pagesOfState)}</span>
            </button>
          ))}
      </div>
      {(error ?? checkError) && <Problem error={error ?? checkError} />}
      {data && data.overTime.length > 1 && (
        <p className="soft">
          {data.overTime
            .slice(-6)
            .map(({ date, indexed, checked }) =>
              t('roster:IndexView.dateIndexedOfChecked', { date: spelledDay(date), indexed, checked }),
            )
            .join(' · ')}
        </p>
      )}
      {data?.pages.length === 0 ? (
        <Empty title={t('roster:IndexView.noOwnPagesToCheckYet')}>
          {t('roster:IndexView.chooseASitemapOrAddOwn')}
        </Empty>
      ) : (
        <table className="ledger">
          <thead>
            <tr>
              <th>{t('roster:IndexView.page')}</th>
              <th>{t('roster:IndexView.state')}</th>
              <th>{t('roster:IndexView.since')}</th>
              <th>{t('roster:IndexView.checked')}</th>
              <th>{t('roster:IndexView.inTheSitemap')}</th>
            </tr>
          </thead>
          <tbody>
            {pages.slice(0, 500).map(({ address, state, since, checkedOn, inSitemap }) => (
              <tr key={address}>
                <td>{address}</td>
                <td>{wordOf(state)}</td>
                <td>{since ?? ''}</td>
                <td>{checkedOn ?? t('roster:IndexView.never')}</td>
                <td>{inSitemap ? t('roster:IndexView.yes') : t('roster:IndexView.no')}</td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
      {pages.length > 500 && (
        <p className="soft">{t('roster:IndexView.andPagesMore', { pages: count(pages.length - 500) })}</p>
      )}
    </section>
  );
}

function SitemapBox() {
  const { project } = useScope();
  const box = useRef<HTMLInputElement>(null);
  const [upload, { data, error, isLoading }] = useUploadSitemapMutation();
  return (
    <>
      <input
        ref={box}
        type="file"
        accept=".xml,.gz"
        aria-label={t('roster:IndexView.sitemap')}
        className="read-only"
        tabIndex={-1}
        onChange={(event) => {
          const file = event.target.files?.[0];
          if (file) void upload({ project, file });
          event.target.value = '';
        }}
      />
      <Button onClick={() => box.current?.click()} loading={isLoading}>
        {t('roster:IndexView.chooseASitemap')}
      </Button>
      {error && <Problem error={error} />}
      {data && (
        <span role="status" className="soft">
          {t('roster:IndexView.pagesAddedNew', {
            pages: counted(data.pages, 'page'),
            added: count(data.added),
          })}
          {data.left.length > 0 &&
            t('roster:IndexView.leftLeftOutTheFirstReason', {
              left: data.left.length,
              reason: data.left[0]!.reason,
            })}
        </span>
      )}
    </>
  );
}
