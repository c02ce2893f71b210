import type { Dossier } from '@opsimath/contract/api/dossier';
import { KindOfPage } from './KindOfPage';
import { count, decimal, spelledDay, volumeWord, worth } from '../words/figures';

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
          name="Volume"
          value={`${volumeWord(data.row)} a month${data.row.volumeBorrowed ? ', borrowed' : metricsAge}`}
        />
        <Fact name="Priority" value={worth(data.row.priority)} />
        <Fact
          name="CPC"
          value={
            data.row.cpcLow === null
              ? 'unknown'
              : `${decimal(data.row.cpcLow, 2)}–${decimal(data.row.cpcHigh, 2)} ${data.currency}${metricsAge}`
          }
        />
        <Fact
          name="Ad competition"
          value={
            data.row.adCompetition === null ? 'unknown' : `${decimal(data.row.adCompetition, 2)}${metricsAge}`
          }
        />
        <Fact
          name="Difficulty"
          value={data.row.difficulty === null ? 'unknown' : `${data.row.difficulty} of 100${pageAge}`}
        />
        <Fact
          name="Spread"
          value={data.row.spread === null ? 'unknown: nobody looked' : spreadWords(data.row)}
        />
        <Fact name="Results" value={`${count(data.page?.results ?? null)}${pageAge}`} />
        {data.row.ownPresumed && (
          <Fact
            name="Ours"
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
      ? 'No search volumes are held'
      : `Volume${row.volumeBorrowed ? ' lent by another surface (estimated)' : ''}, CPC and ad competition as of ${spelledDay(metricsDate)}`,
    page === null
      ? 'no result page was captured'
      : `positions and difficulty from the page of ${spelledDay(page.date)} (${page.source})`,
    'difficulty and priority are estimated; results are rough.',
  ].join('; ');
}

/** Of rivals that nobody looked for nothing is said: they do not count as not ranking. */
function spreadWords({ spread, rivals }: Dossier['row']): string {
  const looked = rivals.filter((position) => position !== 'unknown').length;
  const never = rivals.length - looked;
  return `${spread} of ${looked} rivals looked up${never > 0 ? `, ${never} never` : ''}`;
}

/** Which page of ours ranks, of what kind it is, and the way to it. */
function OurPage({ address, isPage }: { address: string | null; isPage: boolean }) {
  return (
    <div className="wide">
      <dt className="faint">Our page</dt>
      <dd className="our-page" title={address ?? undefined}>
        {address === null ? (
          'none ranks'
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
