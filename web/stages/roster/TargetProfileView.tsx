import type { Target, TargetProfile } from '@opsimath/contract/api/targets';
import { useState } from 'react';
import { Ledger } from '../../parts/table/Ledger';
import { Tick } from '../../parts/table/Tick';
import { OpenKeyword } from '../../parts/words/OpenKeyword';
import { Waiting } from '../../parts/words/Waiting';
import { Problem } from '../../parts/words/Problem';
import { count, counted, decimal, percent, spelledDay } from '../../parts/words/figures';
import { useTargetProfileQuery } from '../../state/rosterApi';
import { useScope } from '../../state/useScope';
import { useTraySelection } from '../../state/useTraySelection';
import { CountsOverTime } from './CountsOverTime';
import { t } from '../../words/t';

const MOST_SHOWN = 12;
const FEW_BUYS = 40;

/** A target as a whole: what it holds beside ours, how that went, its links, titles and what it pays for. */
export function TargetProfileView({ target }: { target: Target }) {
  const { project, scope } = useScope();
  const { data, error } = useTargetProfileQuery({
    project,
    target: target.id,
    market: scope.market,
    date: scope.date,
  });
  if (error) return <Problem error={error} />;
  if (!data) return <Waiting for={t('roster:TargetProfileView.itsProfile')} />;
  if (data.organic + data.paid === 0) {
    return (
      <p className="soft" style={{ marginTop: 12 }}>
        {t('roster:TargetProfileView.nothingIsKnownOfItsKeywords', { date: spelledDay(scope.date) })}
      </p>
    );
  }
  return (
    <>
      <Figures profile={data} />
      <CountsOverTime points={data.overTime} />
      <Links profile={data} />
      <WeakTitles profile={data} />
      <Buys profile={data} />
    </>
  );
}

function Figures({ profile }: { profile: TargetProfile }) {
  const ratio = (organic: number, paid: number): string =>
    organic === 0 ? t('roster:TargetProfileView.unknown') : decimal(paid / organic, 2);
  const { ours } = profile;
  // We are not compared with ourselves.
  const beside = profile.target.side === 'rival';
  const rows: [string, string, string, string?][] = [
    [t('roster:TargetProfileView.organicKeywords'), count(profile.organic), ours ? count(ours.organic) : '–'],
    [t('roster:TargetProfileView.paidKeywords'), count(profile.paid), ours ? count(ours.paid) : '–'],
    [
      t('roster:TargetProfileView.paidForEachOrganic'),
      ratio(profile.organic, profile.paid),
      ours ? ratio(ours.organic, ours.paid) : '–',
      t('roster:TargetProfileView.guideOnePaidKeywordForGuide', { guide: profile.guide }),
    ],
    [
      t('roster:TargetProfileView.clicksAMonthEstimated'),
      count(profile.clicks),
      ours ? count(ours.clicks) : '–',
      t('roster:TargetProfileView.volumeCPositionWhatStandsAbove'),
    ],
    [
      t('roster:TargetProfileView.forEachKeyword'),
      decimal(profile.clicksPerKeyword, 1),
      ours ? decimal(ours.clicksPerKeyword, 1) : '–',
    ],
    [
      t('roster:TargetProfileView.inTheFrontLittleDemand'),
      count(profile.littleDemand),
      ours ? count(ours.littleDemand) : '–',
      t('roster:TargetProfileView.fewerThanClicksAMonth', {
        clicks: counted(profile.littleDemandBelow, 'click'),
      }),
    ],
  ];
  return (
    <table className="ledger profile-figures">
      <thead>
        <tr>
          <th />
          <th className="figure">{profile.target.name}</th>
          {beside && <th className="figure">{ours?.name ?? t('roster:TargetProfileView.ours')}</th>}
        </tr>
      </thead>
      <tbody>
        {rows.map(([name, theirs, own, tip]) => (
          <tr key={name} title={tip}>
            <td>{name}</td>
            <td className="figure">{theirs}</td>
            {beside && <td className="figure">{own}</td>}
          </tr>
        ))}
      </tbody>
    </table>
  );
}

function Links({ profile }: { profile: TargetProfile }) {
  const { figures } = profile.target.record ?? { figures: {} as Record<string, number | null> };
  const { authority } = profile;
  return (
    <section className="section">
      <h2>{t('roster:TargetProfileView.links')}</h2>
      <p>
        {t('roster:TargetProfileView.authorityAuthorityFiguresReferring', {
          authority: count(figures.authority),
          figures: count(figures['referring domains']),
          backlinks: count(figures.backlinks),
          figures2: percent(figures['share of poor links'], 0),
        })}
        {profile.target.manyLinksLittleAuthority &&
          ` ${t('roster:TargetProfileView.manyLinksLittleAuthority')}`}
      </p>
      {authority && authority.difference !== 0 && (
        <p className="soft">
          {t('roster:TargetProfileView.absWhichOurs', {
            abs: Math.abs(authority.difference),
            which:
              authority.difference > 0
                ? t('roster:TargetProfileView.above')
                : t('roster:TargetProfileView.below'),
          })}
          {authority.domainsRatio !== null &&
            t('roster:TargetProfileView.aboutDomainsRatioTimesTheDomainsBy', {
              domainsRatio: decimal(authority.domainsRatio, 1),
              parentsKnown: authority.parentsKnown,
            })}
          {t('roster:TargetProfileView.theScaleIsLogarithmic')}
        </p>
      )}
    </section>
  );
}

function WeakTitles({ profile }: { profile: TargetProfile }) {
  if (profile.titlesLooked === 0) return null;
  return (
    <section className="section">
      <h2>{t('roster:TargetProfileView.weakTitles')}</h2>
      <p className="soft">
        {t('roster:TargetProfileView.weakTitlesOfTheTitlesLookedTargets', {
          weakTitles: profile.weakTitles.length,
          titlesLooked: profile.titlesLooked,
        })}
      </p>
      <ul className="plain-list">
        {profile.weakTitles.slice(0, MOST_SHOWN).map(({ address, title, faults, bestKeyword }) => (
          <li key={address} title={address}>
            “{title}
            {'” '}
            <span className="soft">{faults.join(', ')}</span>
            {bestKeyword && (
              <span className="faint"> {t('roster:TargetProfileView.bestBestKeyword', { bestKeyword })}</span>
            )}
          </li>
        ))}
      </ul>
    </section>
  );
}

/** What it pays for, where, and since when: the last sighting says little without the day we last looked. */
function Buys({ profile: { buys, buysInAll } }: { profile: TargetProfile }) {
  const [all, setAll] = useState(false);
  const { selected, select } = useTraySelection();
  if (buys.length === 0) return null;
  return (
    <section className="section" aria-label={t('roster:TargetProfileView.whatItPaysFor')}>
      <h2>{t('roster:TargetProfileView.paysForKeywords', { keywords: counted(buysInAll, 'keyword') })}</h2>
      <p className="soft">{t('roster:TargetProfileView.aPaidSlotShowsBeliefIn')}</p>
      <Ledger
        take={t('roster:TargetProfileView.whatItPaysFor')}
        rows={all ? buys : buys.slice(0, FEW_BUYS)}
        keyOf={({ id }) => id}
        columns={[
          {
            head: '',
            label: t('roster:TargetProfileView.inTheTray'),
            cell: ({ id, keyword: text }) => (
              <Tick on={selected.has(id)} text={text} onPress={() => select({ id, text })} />
            ),
          },
          {
            head: t('roster:TargetProfileView.keyword'),
            cell: ({ id, keyword }) => <OpenKeyword id={id} text={keyword} />,
          },
          {
            head: t('roster:TargetProfileView.slot'),
            tip: t('roster:TargetProfileView.paidSlotWhenItWasLast'),
            figure: true,
            cell: ({ slot }) => slot,
          },
          { head: t('roster:TargetProfileView.firstSeen'), cell: ({ firstSeen }) => firstSeen },
          { head: t('roster:TargetProfileView.lastSeen'), cell: ({ lastSeen }) => lastSeen },
          {
            head: t('roster:TargetProfileView.lastLooked'),
            tip: t('roster:TargetProfileView.theNewestDayOnWhichThe'),
            cell: ({ lastSeen, lastLooked }) =>
              lastLooked === lastSeen ? (
                <span className="faint">{t('roster:TargetProfileView.then')}</span>
              ) : (
                lastLooked
              ),
          },
          {
            head: t('roster:TargetProfileView.days'),
            tip: t('roster:TargetProfileView.daysOnWhichItWasSeen'),
            figure: true,
            className: 'no-break',
            cell: ({ daysSeen, daysLooked }) =>
              t('roster:TargetProfileView.daysSeenOfDaysLooked', { daysSeen, daysLooked }),
          },
        ]}
      />
      {buys.length > FEW_BUYS && !all && (
        <button className="plain written" onClick={() => setAll(true)}>
          {t('roster:TargetProfileView.showWhich', {
            which:
              buys.length < buysInAll
                ? t('roster:TargetProfileView.theFirstBuys', { buys: count(buys.length) })
                : t('roster:TargetProfileView.allBuys', { buys: count(buys.length) }),
          })}
        </button>
      )}
    </section>
  );
}
