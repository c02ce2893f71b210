import type { Rechecked } from '@opsimath/contract/api/watch';
import { spelledDay } from '../../parts/words/figures';

/** What a fresh look says, three things apart: whether search shows the new text, where ours stands, whether it is too early. */
export function LookedAt({ seen }: { seen: Rechecked }) {
  return (
    <table className="ledger looked-at" aria-label="Fresh look">
      <thead>
        <tr>
          <th>Keyword</th>
          <th>Search shows the new title</th>
          <th className="figure">Ours</th>
          <th>Too early?</th>
        </tr>
      </thead>
      <tbody>
        {seen.keywords.map(({ id, text, own, before, shown, title, tooEarlyUntil }) => (
          <tr key={id}>
            <td>{text}</td>
            <td title={title ?? undefined}>
              {shown === null ? (
                <span className="faint">ours is not there to see</span>
              ) : shown ? (
                'yes'
              ) : (
                'not yet'
              )}
            </td>
            <td className="figure">
              {before} → <b>{own}</b>
            </td>
            <td>{tooEarlyUntil === null ? 'no' : `until ${spelledDay(tooEarlyUntil)}`}</td>
          </tr>
        ))}
      </tbody>
      <caption className="soft">Looked at {seen.at.replace('T', ' ')} UTC.</caption>
    </table>
  );
}
