import { rowName, showRow } from './showRow';
import { t } from '../../words/t';

/** A figure that leads to the row that it was read from, or that explains it. */
export function FigureLink({ row, children }: { row: string; children: React.ReactNode }) {
  return (
    <a
      className="figure-link"
      href={`#${rowName(row)}`}
      title={t('report:FigureLink.whereThisFigureComesFrom')}
      onClick={(event) => {
        event.preventDefault();
        showRow(row);
      }}
    >
      {children}
    </a>
  );
}
