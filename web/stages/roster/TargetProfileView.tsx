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
  if (!data) return <Waiting for="its profile" />;
  if (data.organic + data.paid === 0) {
    return (
      <p className="soft" style={{ marginTop: 12 }}>
        Nothing is known of its keywords in this market up to {spelledDay(scope.date)}: look it up first.
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
    organic === 0 ? 'unknown' : decimal(paid / organic, 2);
  const { ours } = profile;
  // We are not compared with ourselves.
  const beside = profile.target.side === 'rival';
  const rows: [string, string, string, string?][] = [
    ['organic keywords', count(profile.organic), ours ? count(ours.organic) : '–'],
    ['paid keywords', count(profile.paid), ours ? count(ours.paid) : '–'],
    [
      'paid for each organic',
      ratio(profile.organic, profile.paid),
      ours ? ratio(ours.organic, ours.paid) : '–',
      `Guide: one paid keyword for ${profile.guide} organic. Of two tiny counts a ratio says little.`,
    ],
    [
      'clicks a month, estimated',
      count(profile.clicks),
      ours ? count(ours.clicks) : '–',
      'Σ volume · c(position) · what stands above leaves, §3',
    ],
    [
      'for each keyword',
      decimal(profile.clicksPerKeyword, 1),
      ours ? decimal(ours.clicksPerKeyword, 1) : '–',
    ],
    [
      'in the front, little demand',
      count(profile.littleDemand),
      ours ? count(ours.littleDemand) : '–',
      `Fewer than ${counted(profile.littleDemandBelow, 'click')} a month`,
    ],
  ];
  return (
    <table className="ledger profile-figures">
      <thead>
        <tr>
          <th />
          <th className="figure">{profile.target.name}</th>
          {beside && <th className="figure">{ours?.name ?? 'Ours'}</th>}
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
      <h2>Links</h2>
      <p>
        Authority {count(figures.authority)}, {count(figures['referring domains'])} referring domains,{' '}
        {count(figures.backlinks)} backlinks, {percent(figures['share of poor links'], 0)} of them poor.
        {profile.target.manyLinksLittleAuthority && ' Many links, little authority.'}
      </p>
      {authority && authority.difference !== 0 && (
        <p className="soft">
          {Math.abs(authority.difference)} {authority.difference > 0 ? 'above' : 'below'} ours
          {authority.domainsRatio !== null &&
            `: about ${decimal(authority.domainsRatio, 1)} times the domains, by ${authority.parentsKnown} parents known`}
          . The scale is logarithmic.
        </p>
      )}
    </section>
  );
}

function WeakTitles({ profile }: { profile: TargetProfile }) {
  if (profile.titlesLooked === 0) return null;
  return (
    <section className="section">
      <h2>Weak titles</h2>
      <p className="soft">
        {profile.weakTitles.length} of the {profile.titlesLooked} targets that bring it most clicks and whose
        titles were captured.
      </p>
      <ul className="plain-list">
        {profile.weakTitles.slice(0, MOST_SHOWN).map(({ address, title, faults, bestKeyword }) => (
          <li key={address} title={address}>
            “{title}” <span className="soft">{faults.join(', ')}</span>
            {bestKeyword && <span className="faint"> best: {bestKeyword}</span>}
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
    <section className="section" aria-label="What it pays for">
      <h2>Pays for {counted(buysInAll, 'keyword')}</h2>
      <p className="soft">A paid slot shows belief in a keyword, not profit.</p>
      <Ledger
        take="What it pays for"
        rows={all ? buys : buys.slice(0, FEW_BUYS)}
        keyOf={({ id }) => id}
        columns={[
          {
            head: '',
            label: 'In the tray',
            cell: ({ id, keyword: text }) => (
              <Tick on={selected.has(id)} text={text} onPress={() => select({ id, text })} />
            ),
          },
          { head: 'Keyword', cell: ({ id, keyword }) => <OpenKeyword id={id} text={keyword} /> },
          { head: 'Slot', tip: 'Paid slot when it was last seen', figure: true, cell: ({ slot }) => slot },
          { head: 'First seen', cell: ({ firstSeen }) => firstSeen },
          { head: 'Last seen', cell: ({ lastSeen }) => lastSeen },
          {
            head: 'Last looked',
            tip: 'The newest day on which the paid slots of this keyword were looked at',
            cell: ({ lastSeen, lastLooked }) =>
              lastLooked === lastSeen ? <span className="faint">then</span> : lastLooked,
          },
          {
            head: 'Days',
            tip: 'Days on which it was seen, of the days on which anybody looked',
            figure: true,
            className: 'no-break',
            cell: ({ daysSeen, daysLooked }) => `${daysSeen} of ${daysLooked}`,
          },
        ]}
      />
      {buys.length > FEW_BUYS && !all && (
        <button className="plain written" onClick={() => setAll(true)}>
          Show {buys.length < buysInAll ? `the first ${count(buys.length)}` : `all ${count(buys.length)}`}
        </button>
      )}
    </section>
  );
}
