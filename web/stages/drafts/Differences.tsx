import { t } from '../../words/t';

interface DifferencesProps {
  before: Readonly<Record<string, string>>;
  after: Readonly<Record<string, string>>;
  names: readonly [string, string];
}

/** Two states of copy side by side, field by field; what is the same in both is left out. */
export function Differences({ before, after, names }: DifferencesProps) {
  const changed = [...new Set([...Object.keys(before), ...Object.keys(after)])].filter(
    (name) => (before[name] ?? '') !== (after[name] ?? ''),
  );
  if (changed.length === 0) return <p className="soft">{t('drafts:Differences.nothingIsDifferent')}</p>;
  return (
    <table className="ledger differences">
      <thead>
        <tr>
          <th>{t('drafts:Differences.field')}</th>
          {names.map((name) => (
            <th key={name}>{name}</th>
          ))}
        </tr>
      </thead>
      <tbody>
        {changed.map((name) => {
          const [gone, come] = apart(before[name] ?? '', after[name] ?? '');
          return (
            <tr key={name}>
              <td>{name}</td>
              <td>{gone}</td>
              <td>{come}</td>
            </tr>
          );
        })}
      </tbody>
    </table>
  );
}

/** What both begin and end with stands plain, what differs is marked. */
function apart(one: string, other: string): [React.ReactNode, React.ReactNode] {
  const [a, b] = [one.split(/(\s+)/), other.split(/(\s+)/)];
  let from = 0;
  while (from < a.length && from < b.length && a[from] === b[from]) from++;
  let back = 0;
  while (back < a.length - from && back < b.length - from && a.at(-1 - back) === b.at(-1 - back)) back++;
  const shown = (parts: string[], Mark: 'del' | 'ins') => (
    <>
      {parts.slice(0, from).join('')}
      {parts.length - back > from && <Mark>{parts.slice(from, parts.length - back).join('')}</Mark>}
      {parts.slice(parts.length - back).join('')}
    </>
  );
  return [shown(a, 'del'), shown(b, 'ins')];
}
