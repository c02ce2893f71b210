import type { GapRow } from '@opsimath/contract/api/gaps';
import type { Report } from '@opsimath/contract/api/report';
import { DEPTH_BANDS } from '@opsimath/core/ranking/position';
import { LaneHead } from '../../parts/lane/LaneHead';
import { RowLane } from '../../parts/lane/RowLane';
import '../../parts/lane/lane.css';
import { count, decimal, movement, percent, spelledDay, worth } from '../../parts/words/figures';
import { ochreOf } from '../../parts/words/ochre';

const LANE = 210;

/** The document itself: sections in the order in which a reader asks. */
export function ReportPaper({ report }: { report: Report }) {
  const foot = `${report.project} · ${report.market} · ${spelledDay(report.date)}${report.compare ? ` against ${spelledDay(report.compare)}` : ''}`;
  return (
    <article className="paper">
      <style>{footRule(foot)}</style>
      <header>
        <h1>Gaps of {report.project}</h1>
        <p className="soft">
          {foot}. Over {report.scope}.
        </p>
      </header>
      <section>
        <h2>In short</h2>
        {report.sentences.map((sentence) => (
          <p key={sentence}>{sentence}</p>
        ))}
      </section>
      <section>
        <h2>What to do first</h2>
        <TopGaps report={report} />
      </section>
      <section>
        <h2>How everybody stands</h2>
        <Sides report={report} />
      </section>
      <section>
        <h2>Gaps by kind</h2>
        <table className="ledger">
          <thead>
            <tr>
              {Object.keys(report.totals.kinds).map((kind) => (
                <th key={kind} className="figure">
                  {kind}
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            <tr>
              {Object.entries(report.totals.kinds).map(([kind, many]) => (
                <td key={kind} className="figure">
                  {count(many)}
                </td>
              ))}
            </tr>
          </tbody>
        </table>
      </section>
      <section>
        <h2>Paid findings</h2>
        <KeywordList
          title="Rivals pay, we do not"
          rows={report.paid.unbid}
          say={(row) => `${count(row.demand)} searches a month, our organic position ${row.own}`}
        />
        <KeywordList
          title="We pay while standing at 3 or better"
          rows={report.paid.doubling}
          say={(row) => `organic ${row.own}, paid slot ${row.ownPaid}`}
        />
      </section>
      {report.compare && (
        <section>
          <h2>What moved since {spelledDay(report.compare)}</h2>
          <KeywordList
            title="Up"
            rows={report.movers.up}
            say={(row) => `${row.ownBefore} to ${row.own} (${movement(row)})`}
          />
          <KeywordList
            title="Down"
            rows={report.movers.down}
            say={(row) => `${row.ownBefore} to ${row.own} (${movement(row)})`}
          />
        </section>
      )}
      <section>
        <h2>What this rests on</h2>
        {report.quality.map((sentence) => (
          <p key={sentence}>{sentence}</p>
        ))}
        <table className="ledger">
          <tbody>
            {report.sources.map((source) => (
              <tr key={source.source + source.kind}>
                <td>{source.source}</td>
                <td>{source.kind}</td>
                <td>
                  {spelledDay(source.from)}
                  {source.to !== source.from && ` to ${spelledDay(source.to)}`}
                </td>
                <td className="figure">{count(source.rows)}</td>
              </tr>
            ))}
          </tbody>
        </table>
      </section>
    </article>
  );
}

/** Scope and date in the foot of every printed page. */
function footRule(foot: string): string {
  const text = foot.replace(/[\\"<>\n]/g, ' ');
  return `@page { @bottom-left { content: "Opsimath · ${text}"; font: 9pt 'Source Sans 3 Variable', sans-serif; color: #565f64; } }`;
}

function TopGaps({ report }: { report: Report }) {
  return (
    <table className="ledger top">
      <thead>
        <tr>
          <th>Work and reason</th>
          <th>
            <LaneHead width={LANE} />
          </th>
          <th className="figure">Clicks</th>
          <th className="figure">Adds</th>
          <th className="figure">Days</th>
          <th className="figure">Priority</th>
        </tr>
      </thead>
      <tbody>
        {report.work.lines.map((line, n) => {
          const row = report.top[n]!;
          return (
            <tr key={`${line.action} ${line.lead.id}`}>
              <td>
                <b>{line.lead.text}</b>: {line.action}
                {line.target && <span className="soft"> {line.target.address}</span>}
                <div className="soft">{line.reason}</div>
                {line.title !== null && line.target && <div>Its title could be: {line.title}</div>}
              </td>
              <td>
                <RowLane
                  row={row}
                  own={report.sides[0]!.name}
                  rivals={report.rivals}
                  front={report.front}
                  width={LANE}
                  height={34}
                />
              </td>
              <td className="figure">{count(Math.round(line.clicks))}</td>
              <td className="figure">{worth(line.value)}</td>
              <td className="figure">{decimal(line.effort, 2)}</td>
              <td className="figure">
                <span className={`ochre ochre-${ochreOf(line.priority, report.work.lines[0]!.priority)}`}>
                  {worth(line.priority)}
                </span>
              </td>
            </tr>
          );
        })}
      </tbody>
      <caption>
        {report.rivals.map((rival, r) => (
          <span key={rival.id}>
            <span className={`letter hue-${r % 4}`}>{rival.letter}</span> {rival.name}{' '}
          </span>
        ))}
        · disc: {report.sides[0]!.name} · ring: before · diamonds: paid. What it adds a month and for a day of
        work (priority) in {report.currency}, on all keywords it serves, each gain counted once; estimated.
      </caption>
    </table>
  );
}

function Sides({ report }: { report: Report }) {
  return (
    <table className="ledger">
      <thead>
        <tr>
          <th />
          <th className="figure">Visibility</th>
          <th className="figure">Before</th>
          {DEPTH_BANDS.map((band) => (
            <th key={band} className="figure">
              {band}
            </th>
          ))}
          <th className="figure">Paid</th>
          <th className="figure">Clicks, est.</th>
        </tr>
      </thead>
      <tbody>
        {report.sides.map((side) => (
          <tr key={side.name}>
            <td>
              <b>{side.name}</b>
            </td>
            <td className="figure">{percent(side.visibility)}</td>
            <td className="figure">{percent(side.visibilityBefore)}</td>
            {side.depth.map((many, band) => (
              <td key={band} className="figure">
                {count(many)}
              </td>
            ))}
            <td className="figure">{count(side.paidKeywords)}</td>
            <td className="figure">{count(side.clicks)}</td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}

function KeywordList({
  title,
  rows,
  say,
}: {
  title: string;
  rows: readonly GapRow[];
  say: (row: GapRow) => string;
}) {
  return (
    <div className="keyword-list">
      <h3>{title}</h3>
      {rows.length === 0 ? (
        <p className="soft">None.</p>
      ) : (
        <ul>
          {rows.map((row) => (
            <li key={row.id}>
              <b>{row.text}</b> <span className="soft">{say(row)}</span>
            </li>
          ))}
        </ul>
      )}
    </div>
  );
}
