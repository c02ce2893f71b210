import type { ReportContent, ReportRow, ReportTable } from '@opsimath/contract/api/reportContent';
import { shown } from '../../parts/words/figures';
import { Tooltip } from 'antd';
import { memo } from 'react';
import { Lane } from '../../parts/lane/Lane';
import { LaneHead } from '../../parts/lane/LaneHead';
import '../../parts/lane/lane.css';
import { FigureLink } from './FigureLink';
import { rowName } from './showRow';

const LANE = 190;
const FIGURES = new Set(['count', 'decimal', 'share', 'money', 'position']);

/** A table of a report. Money leads to the row that says what it is made of. */
export const ReportTableBlock = memo(function ReportTableBlock({
  table,
  titled,
  content,
}: {
  table: ReportTable;
  titled: boolean;
  content: ReportContent;
}) {
  const { title, columns, rows, caption, empty } = table;
  if (rows.length === 0)
    return (
      <>
        {titled && <h3>{title}</h3>}
        <p className="soft">{empty}</p>
      </>
    );
  return (
    <div className="report-table">
      {titled && <h3>{title}</h3>}
      <table className="ledger">
        <thead>
          <tr>
            {columns.map(({ key, name, kind, tip }) => (
              <th key={key} scope="col" className={FIGURES.has(kind) ? 'figure' : undefined}>
                {kind === 'lane' ? (
                  <LaneHead width={LANE} />
                ) : tip ? (
                  <Tooltip title={tip}>{name}</Tooltip>
                ) : (
                  name
                )}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {rows.map((row) => (
            <Row key={row.key} row={row} table={table} content={content} />
          ))}
        </tbody>
      </table>
      {caption && <p className="soft caption">{caption}</p>}
    </div>
  );
});

function Row({ row, table, content }: { row: ReportRow; table: ReportTable; content: ReportContent }) {
  return (
    <tr id={rowName(`${table.id}:${row.key}`)}>
      {table.columns.map(({ key, kind, digits }, n) => {
        const cell = row.cells[n] ?? null;
        const told =
          cell !== null && typeof cell === 'object' ? (
            <LaneOf cell={cell} content={content} />
          ) : kind === 'money' && cell !== null && row.sums !== undefined ? (
            <FigureLink row={row.sums}>{shown(kind, cell, digits)}</FigureLink>
          ) : kind === 'lane' ? null : (
            shown(kind, cell, digits)
          );
        return (
          <td key={key} className={FIGURES.has(kind) ? 'figure' : kind === 'address' ? 'address' : undefined}>
            {told}
            {n === 0 &&
              row.below?.map((line) => (
                <div key={line} className="soft">
                  {line}
                </div>
              ))}
          </td>
        );
      })}
    </tr>
  );
}

type LaneCellOf = Extract<ReportRow['cells'][number], object>;

/** The lane of a row, or of an example. */
export function LaneOf({
  cell,
  content,
  width = LANE,
}: {
  cell: LaneCellOf;
  content: ReportContent;
  width?: number;
}) {
  return (
    <Lane
      width={width}
      front={content.front}
      own={{ name: content.own, organic: cell.own, before: cell.before, paid: cell.paid }}
      rivals={content.rivals.map(({ name, letter }, n) => ({
        name,
        letter,
        hue: n,
        organic: cell.rivals[n] ?? 'unknown',
        paid: cell.rivalsPaid[n] ?? 'unknown',
      }))}
    />
  );
}
