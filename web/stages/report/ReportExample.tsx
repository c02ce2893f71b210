import type { ReportBlock, ReportContent } from '@opsimath/contract/api/reportContent';
import { FigureLink } from './FigureLink';
import { LaneOf } from './ReportTableBlock';
import { rowName } from './showRow';
import { t } from '../../words/t';

type Example = Extract<ReportBlock, { kind: 'example' }>;

/** One keyword that tells the whole: where everybody stands, the figures, why, and what to do. */
export function ReportExample({ example, content }: { example: Example; content: ReportContent }) {
  const { id, keyword, lane, facts, reason, remedy } = example;
  return (
    <div className="report-example" id={rowName(id)}>
      <h3>{keyword}</h3>
      <LaneOf cell={lane} content={content} width={420} />
      <dl>
        {facts.map(({ name, value, sums }) => (
          <div key={name}>
            <dt>{name}</dt>
            <dd>{sums === undefined ? value : <FigureLink row={sums}>{value}</FigureLink>}</dd>
          </div>
        ))}
      </dl>
      <p>{reason}</p>
      <p>
        <b>{t('report:ReportExample.whatToDo')}</b> {remedy}
      </p>
    </div>
  );
}
