import { type AdGroup, type AdListing, keptListings } from '@opsimath/contract/api/adGroups';
import type { DraftCopy } from './useDraftCopy';
import { t } from '../../words/t';

const SHOWN = 12;

/** Listings of others to advertise beside: those on the front of keywords that go with ours, with the reason. */
export function AdListings({
  draft: { copy, setField },
  candidates,
}: {
  draft: DraftCopy;
  candidates: AdGroup['listings'];
}) {
  const picked = keptListings(copy.fields);
  const set = (next: readonly AdListing[]): void => setField('listings', JSON.stringify(next));
  const held = new Set(picked.map(({ address }) => address));
  const offered = candidates.filter(({ address }) => !held.has(address));
  if (picked.length === 0 && candidates.length === 0) return null;
  return (
    <section aria-label={t('drafts:AdListings.listingsToAdvertiseBeside')}>
      <h2>{t('drafts:AdListings.besideListings')}</h2>
      {picked.map(({ address, title, reason }) => (
        <p key={address} title={reason}>
          {title}{' '}
          <button
            className="plain written soft"
            aria-label={t('drafts:AdListings.leaveTitleOut', { title })}
            onClick={() => set(picked.filter((one) => one.address !== address))}
          >
            {t('drafts:AdListings.out')}
          </button>
          <span className="soft under">{reason}</span>
        </p>
      ))}
      {offered.length > 0 && <p className="soft">{t('drafts:AdListings.onTheFrontOfKeywordsJudged')}</p>}
      {offered.slice(0, SHOWN).map(({ address, title, reason }) => (
        <p key={address}>
          <button
            className="plain written"
            title={reason}
            onClick={() => set([...picked, { address, title, reason }])}
          >
            {title}
          </button>
        </p>
      ))}
    </section>
  );
}
