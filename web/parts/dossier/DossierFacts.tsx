import type { Dossier } from '@opsimath/contract/api/dossier';
import { KindOfPage } from './KindOfPage';
import { count, decimal, spelledDay, volumeWord, worth } from '../words/figures';
import { t } from '../../words/t';

/** What is known of a keyword beside its lane, each figure with its age where it has one. */
export function DossierFacts({
  data,
  metricsAge,
  pageAge,
  isPage,
}: {
  data: Dossier;
  metricsAge: string;
  pageAge: string;
  /** Whether what ranks are pages: on the web. */
  isPage: boolean;
}) {
  return (
    <>
      <dl className="facts">
        <Fact
          name={t('parts:DossierFacts.volume')}
          value={`${t('parts:DossierFacts.volumeAMonth', { volume: volumeWord(data.row) })}${data.row.volumeBorrowed ? t('parts:DossierFacts.borrowed') : metricsAge}`}
        />
        <Fact name={t('parts:DossierFacts.priority')} value={worth(data.row.priority)} />
        <Fact
          name="CPC"
          value={
            data.row.cpcLow === null
              ? 'unknown'
              : `${decimal(data.row.cpcLow, 2)}–${decimal(data.row.cpcHigh, 2)} ${data.currency}${metricsAge}`
          }
        />
        <Fact
          name={t('parts:DossierFacts.adCompetition')}
          value={
            data.row.adCompetition === null ? 'unknown' : `${decimal(data.row.adCompetition, 2)}${metricsAge}`
          }
        />
        <Fact
          name={t('parts:DossierFacts.difficulty')}
          value={
            data.row.difficulty === null
              ? 'unknown'
              : `${t('parts:DossierFacts.difficultyOf100', { difficulty: data.row.difficulty })}${pageAge}`
          }
        />
        <Fact
          name={t('parts:DossierFacts.spread')}
          value={data.row.spread === null ? 'unknown: nobody looked' : spreadWords(data.row)}
        />
        <Fact
          name={t('parts:DossierFacts.results')}
          value={`${count(data.page?.results ?? null)}${pageAge}`}
        />
        {data.row.ownPresumed && (
          <Fact
            name={t('parts:DossierFacts.ours')}
            value="absent, presumed: a complete look-up does not name it; a capture settles it"
            wide
          />
        )}
        <OurPage address={data.row.ownAddress} isPage={isPage} />
      </dl>
      <p className="faint facts-from">{sourcesOf(data)}</p>
    </>
  );
}

/** What the figures are from, of which day, and which of them are estimated. */
function sourcesOf({ row, metrics, metricsDate, page }: Dossier): string {
  return [
    metrics === null || metricsDate === null
      ? t('parts:DossierFacts.noSearchVolumesAreHeld')
      : t('parts:DossierFacts.volumeWhichCPCAndAdCompetition', {
          which: row.volumeBorrowed ? ` ${t('parts:DossierFacts.lentByAnotherSurfaceEstimated')}` : '',
          metricsDate: spelledDay(metricsDate),
        }),
    page === null
      ? t('parts:DossierFacts.noResultPageWasCaptured')
      : t('parts:DossierFacts.positionsAndDifficultyFromThePage', {
          date: spelledDay(page.date),
          source: page.source,
        }),
    t('parts:DossierFacts.difficultyAndPriorityAreEstimated'),
  ].join('; ');
}

/** Of rivals that nobody looked for nothing is said: they do not count as not ranking. */
function spreadWords({ spread, rivals }: Dossier['row']): string {
  const looked = rivals.filter((position) => position !== 'unknown').length;
  const never = rivals.length - looked;
  return t('parts:DossierFacts.spreadOfLookedRivalsLookedUp', {
    spread,
    looked,
    which: never > 0 ? t('parts:DossierFacts.neverNever', { never }) : '',
  });
}

/** Which page of ours ranks, of what kind it is, and the way to it. */
function OurPage({ address, isPage }: { address: string | null; isPage: boolean }) {
  return (
    <div className="wide">
      <dt className="faint">{t('parts:DossierFacts.ourPage')}</dt>
      <dd className="our-page" title={address ?? undefined}>
        {address === null ? (
          t('parts:DossierFacts.noneRanks')
        ) : (
          <>
            <a href={`https://${address}`} target="_blank" rel="noreferrer noopener">
              {address}
            </a>
            {isPage && <KindOfPage address={address} />}
          </>
        )}
      </dd>
    </div>
  );
}

function Fact({ name, value, wide }: { name: string; value: string; wide?: boolean }) {
  return (
    <div className={wide ? 'wide' : undefined}>
      <dt className="faint">{name}</dt>
      <dd title={value}>{value}</dd>
    </div>
  );
}
