import { Empty } from '../../parts/words/Empty';
import { useChannelKeywordsQuery } from '../../state/rosterApi';
import { useScope } from '../../state/useScope';
import { t } from '../../words/t';

/** Which channel sets which keywords for itself, those that most set first. */
export function ChannelTable() {
  const { project } = useScope();
  const { data } = useChannelKeywordsQuery(project);
  if (!data) return null;
  if (data.channels.length === 0)
    return (
      <Empty title={t('roster:ChannelTable.noChannelInTheRosterYet')}>
        {t('roster:ChannelTable.addChannelsUnderWhoOursAnd')}
      </Empty>
    );
  return (
    <section className="section">
      <h2>{t('roster:ChannelTable.keywordsThatChannelsSetFor')}</h2>
      <table className="ledger channel-table">
        <thead>
          <tr>
            <th>{t('roster:ChannelTable.keyword')}</th>
            <th className="figure">{t('roster:ChannelTable.channels')}</th>
            {data.channels.map(({ address, name, side }) => (
              <th key={address} title={address}>
                {name}
                {side === 'own' && <span className="faint"> {t('roster:ChannelTable.ours')}</span>}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {data.rows.map(({ text, channels, count }) => (
            <tr key={text}>
              <td>{text}</td>
              <td className="figure">{count}</td>
              {channels.map((has, c) => (
                <td key={data.channels[c]!.address}>{has ? t('roster:ChannelTable.yes') : ''}</td>
              ))}
            </tr>
          ))}
        </tbody>
      </table>
    </section>
  );
}
