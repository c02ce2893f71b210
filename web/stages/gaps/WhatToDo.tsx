import type { GapQuery } from '@opsimath/contract/api/gapQuery';
import type { WorkLine } from '@opsimath/contract/api/whatToDo';
import { Button } from 'antd';
import { useState } from 'react';
import { copyAsTable } from '../../parts/table/copyAsTable';
import { Empty } from '../../parts/words/Empty';
import { Waiting } from '../../parts/words/Waiting';
import { FindBox } from '../../parts/words/FindBox';
import { Problem } from '../../parts/words/Problem';
import { count, decimal, worth } from '../../parts/words/figures';
import { useWhatToDoQuery } from '../../state/gapsApi';
import { useScope } from '../../state/useScope';
import { OpenDossier } from '../../parts/dossier/OpenDossier';
import { EVERYTHING, isNarrowed } from './narrowed';
import { WorkKeywords } from './WorkKeywords';

const PAGE = 50;

/** The same gaps from the side of the work: one line an action, with the keywords it serves. */
export function WhatToDo({ query }: { query: GapQuery }) {
  const { project, scope, change } = useScope();
  const [page, setPage] = useState(0);
  const { sort: _, ...rest } = query;
  const { data, error, isFetching } = useWhatToDoQuery({
    project,
    query: { ...rest, offset: page * PAGE, limit: PAGE },
  });
  if (error) return <Problem error={error} />;
  if (!data) return <Waiting for="what can be done" />;
  const { currency, total, first, lines } = data;
  const from = page * PAGE;
  return (
    <>
      <header className="stage-head">
        <div>
          <h1 className="stage-title">
            <b>{count(total)}</b> pieces of work
            {first && (
              <>
                . The first {first.lines} would add about {worth(first.value)} {currency} a month
              </>
            )}
          </h1>
          {first && (
            <p className="soft">
              80 % between {worth(first.low)} and {worth(first.high)}, for {decimal(first.days, 1)} days of
              work; all of them {worth(data.value)} {currency} for {decimal(data.days, 0)} days. A keyword’s
              gain counts once, for whatever stands first. Estimated, {data.horizon} days ahead.
              {data.withoutClusters &&
                ' Too many keywords for clusters: each new target is planned by itself.'}
            </p>
          )}
          {isNarrowed(scope) && (
            <p className="soft">
              Only work for keywords that pass the filters of the table.{' '}
              <button className="plain written" onClick={() => change(EVERYTHING)}>
                Show all
              </button>
            </p>
          )}
        </div>
        <span className="stage-tools">
          <FindBox value={scope.find} onFind={(find) => change({ find }, { replace: true })} width={170} />
          <Button
            size="small"
            disabled={lines.length === 0}
            onClick={() => void copyAsTable(tableOf(lines, currency))}
          >
            Copy as a table
          </Button>
        </span>
      </header>
      <div className="gaps-body">
        <div className="work-scroll" aria-busy={isFetching}>
          {total === 0 ? (
            <Empty title="Nothing to do here">
              No action is foretold to bring more than it costs
              {isNarrowed(scope)
                ? ' for the keywords chosen.'
                : '. Capture more keywords, or look rivals up.'}
            </Empty>
          ) : (
            <table className="ledger work" aria-label="What to do">
              <thead>
                <tr>
                  <th className="figure work-number">No.</th>
                  <th>What to do</th>
                  <th
                    className="figure"
                    title="Keywords that win a click a month or more, and that lose as much"
                  >
                    Win / lose
                  </th>
                  <th
                    className="figure"
                    title="Clicks a month that it adds on all keywords it serves; estimated"
                  >
                    Clicks
                  </th>
                  <th
                    className="figure"
                    title={`What it adds in ${currency} a month, and the middle 80 % of that; estimated`}
                  >
                    Adds, {currency} a month
                  </th>
                  <th className="figure" title="Days of work, from the settings">
                    Days
                  </th>
                  <th className="figure" title={`What it adds in ${currency} a month for a day of work`}>
                    Priority
                  </th>
                </tr>
              </thead>
              <tbody>
                {lines.map((line, n) => (
                  <Line
                    key={nameOf(line)}
                    line={line}
                    number={from + n + 1}
                    isOpen={scope.work === nameOf(line)}
                    onOpen={() =>
                      change({ work: scope.work === nameOf(line) ? '' : nameOf(line) }, { replace: true })
                    }
                    query={rest}
                  />
                ))}
              </tbody>
            </table>
          )}
          {total > PAGE && (
            <p className="work-pages">
              <Button size="small" disabled={page === 0} onClick={() => setPage(page - 1)}>
                Earlier
              </Button>{' '}
              {count(from + 1)} to {count(Math.min(total, from + PAGE))} of {count(total)}{' '}
              <Button size="small" disabled={from + PAGE >= total} onClick={() => setPage(page + 1)}>
                Later
              </Button>
            </p>
          )}
        </div>
        <OpenDossier />
      </div>
    </>
  );
}

const nameOf = ({ action, target, lead }: WorkLine): string =>
  `${action}:${target?.address ?? ''}:${lead.id}`;

interface LineProps {
  line: WorkLine;
  number: number;
  isOpen: boolean;
  onOpen: () => void;
  query: Omit<GapQuery, 'sort'>;
}

function Line({ line, number, isOpen, onOpen, query }: LineProps) {
  const { won, lost } = line.served;
  return (
    <>
      <tr className={isOpen ? 'opened' : undefined}>
        <td className="figure soft work-number">{number}</td>
        <td>
          <button className="plain work-what" aria-expanded={isOpen} onClick={onOpen}>
            <span className="work-action">{line.action}</span> <b>{line.lead.text}</b>
            <span className="soft work-where">{whereOf(line)}</span>
          </button>
        </td>
        <td className="figure">
          {count(won.keywords)} / {count(lost.keywords)}
        </td>
        <td className="figure">{count(Math.round(line.clicks))}</td>
        <td className="figure">
          {worth(line.value)}{' '}
          <span className="soft range">
            {worth(line.low)} to {worth(line.high)}
          </span>
        </td>
        <td className="figure">{decimal(line.effort, 2)}</td>
        <td className="figure">{worth(line.priority)}</td>
      </tr>
      {isOpen && (
        <tr className="opened">
          <td />
          <td colSpan={6}>
            <p>{line.reason}</p>
            {line.title !== null && (
              <p>
                <span className="soft">
                  {line.target === null ? 'A title to begin with' : 'Its title could be'}:
                </span>{' '}
                {line.title}{' '}
                <button
                  className="plain written"
                  onClick={() => void navigator.clipboard.writeText(line.title!)}
                >
                  Copy
                </button>
              </p>
            )}
            {line.words.length > 0 && (
              <p>
                <span className="soft">Words its other fields lack:</span> {line.words.join(', ')}
              </p>
            )}
            <WorkKeywords line={line} query={query} />
          </td>
        </tr>
      )}
    </>
  );
}

function whereOf({ target, action }: WorkLine): string {
  if (target !== null) return `${target.title} · ${target.address}`;
  return action.startsWith('new') ? 'nothing of ours serves it yet' : '';
}

function tableOf(lines: readonly WorkLine[], currency: string): string[][] {
  return [
    [
      'what to do',
      'keyword',
      'target',
      'new title',
      'words to add',
      'keywords that win',
      'keywords that lose',
      'clicks added a month (estimated)',
      `adds, ${currency} a month (estimated)`,
      'low',
      'high',
      'days',
      'priority',
      'why',
    ],
    ...lines.map((line) => [
      line.action,
      line.lead.text,
      line.target?.address ?? '',
      line.title ?? '',
      line.words.join(', '),
      String(line.served.won.keywords),
      String(line.served.lost.keywords),
      line.clicks.toFixed(1),
      line.value.toFixed(2),
      line.low.toFixed(2),
      line.high.toFixed(2),
      String(line.effort),
      line.priority.toFixed(2),
      line.reason,
    ]),
  ];
}
