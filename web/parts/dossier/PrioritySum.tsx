import type { SumLine } from '@opsimath/contract/api/dossier';
import { t } from '../../words/t';

/** The sum that led to the priority, each line with what it is made of and where it came from. */
export function PrioritySum({ lines }: { lines: readonly SumLine[] }) {
  return (
    <section className="section">
      <h2>{t('parts:PrioritySum.howThePriorityCameAbout')}</h2>
      <table className="ledger sum">
        <tbody>
          {lines.map((line) => (
            <tr key={line.name}>
              <th scope="row">{line.name}</th>
              <td className="figure">
                <b>{line.value}</b>
              </td>
              <td>
                {line.how}
                <div className="faint">
                  {line.source}
                  {line.estimated && ` ${t('parts:PrioritySum.estimated')}`}
                </div>
              </td>
            </tr>
          ))}
        </tbody>
      </table>
    </section>
  );
}
