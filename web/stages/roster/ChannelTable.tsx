import { Empty } from '../../parts/words/Empty';
import { useChannelKeywordsQuery } from '../../state/rosterApi';
import { useScope } from '../../state/useScope';

/** Which channel sets which keywords for itself, those that most set first. */
export function ChannelTable() {
  const { project } = useScope();
  const { data } = useChannelKeywordsQuery(project);
  if (!data) return null;
  if (data.channels.length === 0)
    return <Empty title="No channel in the roster yet">Add channels under Who, ours and rivals’.</Empty>;
  return (
    <section className="section">
      <h2>Keywords that channels set for themselves</h2>
      <table className="ledger channel-table">
        <thead>
          <tr>
            <th>Keyword</th>
            <th className="figure">Channels</th>
            {data.channels.map(({ address, name, side }) => (
              <th key={address} title={address}>
                {name}
                {side === 'own' && <span className="faint"> ours</span>}
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
                <td key={data.channels[c]!.address}>{has ? 'yes' : ''}</td>
              ))}
            </tr>
          ))}
        </tbody>
      </table>
    </section>
  );
}
