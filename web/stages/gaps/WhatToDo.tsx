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
import { Told } from '../../words/Told';
import { reasonWords } from '../../parts/words/reasonWords';
import { t, wordOf } from '../../words/t';

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
  if (!data) return <Waiting for={t('gaps:WhatToDo.whatCanBeDone')} />;
  const { currency, total, first, lines } = data;
  const from = page * PAGE;
  return (
    <>
      <header className="stage-head">
        <div>
          <h1 className="stage-title">
            <Told
              id="gaps:WhatToDo.totalPiecesOfWork"
              values={{ total: count(total) }}
              parts={{ b: <b /> }}
            />
            {first && (
              <>
                {t('gaps:WhatToDo.theFirstLinesWouldAddAbout', {
                  lines: first.lines,
                  worth: worth(first.value),
                  currency,
                })}
              </>
            )}
          </h1>
          {first && (
            <p className="soft">
              {t('gaps:WhatToDo.n80BetweenLowAndHighFor', {
                low: worth(first.low),
                high: worth(first.high),
                days: decimal(first.days, 1),
                worth: worth(data.value),
                currency,
                days2: decimal(data.days, 0),
                horizon: data.horizon,
              })}
              {data.withoutClusters && ` ${t('gaps:WhatToDo.tooManyKeywordsForClustersEach')}`}
            </p>
          )}
          {isNarrowed(scope) && (
            <p className="soft">
              {t('gaps:WhatToDo.onlyWorkForKeywordsThatPass')}{' '}
              <button className="plain written" onClick={() => change(EVERYTHING)}>
                {t('gaps:WhatToDo.showAll')}
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
            {t('gaps:WhatToDo.copyAsATable')}
          </Button>
        </span>
      </header>
      <div className="gaps-body">
        <div className="work-scroll" aria-busy={isFetching}>
          {total === 0 ? (
            <Empty title={t('gaps:WhatToDo.nothingToDoHere')}>
              {t('gaps:WhatToDo.noActionIsForetoldToBring', {
                which: isNarrowed(scope)
                  ? ` ${t('gaps:WhatToDo.forTheKeywordsChosen')}`
                  : t('gaps:WhatToDo.captureMoreKeywordsOrLookRivals'),
              })}
            </Empty>
          ) : (
            <table className="ledger work" aria-label={t('gaps:WhatToDo.whatToDo')}>
              <thead>
                <tr>
                  <th className="figure work-number">{t('gaps:WhatToDo.no')}</th>
                  <th>{t('gaps:WhatToDo.whatToDo')}</th>
                  <th className="figure" title={t('gaps:WhatToDo.keywordsThatWinAClickA')}>
                    {t('gaps:WhatToDo.winLose')}
                  </th>
                  <th className="figure" title={t('gaps:WhatToDo.clicksAMonthThatItAdds')}>
                    {t('gaps:WhatToDo.clicks')}
                  </th>
                  <th className="figure" title={t('gaps:WhatToDo.whatItAddsInCurrencyA', { currency })}>
                    {t('gaps:WhatToDo.addsCurrencyAMonth', { currency })}
                  </th>
                  <th className="figure" title={t('gaps:WhatToDo.daysOfWorkFromTheSettings')}>
                    {t('gaps:WhatToDo.days')}
                  </th>
                  <th className="figure" title={t('gaps:WhatToDo.whatItAddsInCurrencyA2', { currency })}>
                    {t('gaps:WhatToDo.priority')}
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
                {t('gaps:WhatToDo.earlier')}
              </Button>{' '}
              {t('gaps:WhatToDo.fromToMinOfTotal', {
                from: count(from + 1),
                min: count(Math.min(total, from + PAGE)),
                total: count(total),
              })}{' '}
              <Button size="small" disabled={from + PAGE >= total} onClick={() => setPage(page + 1)}>
                {t('gaps:WhatToDo.later')}
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
            <span className="work-action">{wordOf(line.action)}</span> <b>{line.lead.text}</b>
            <span className="soft work-where">{whereOf(line)}</span>
          </button>
        </td>
        <td className="figure">
          {count(won.keywords)}
          {' / '}
          {count(lost.keywords)}
        </td>
        <td className="figure">{count(Math.round(line.clicks))}</td>
        <td className="figure">
          {worth(line.value)}{' '}
          <span className="soft range">
            {t('gaps:WhatToDo.lowToHigh', { low: worth(line.low), high: worth(line.high) })}
          </span>
        </td>
        <td className="figure">{decimal(line.effort, 2)}</td>
        <td className="figure">{worth(line.priority)}</td>
      </tr>
      {isOpen && (
        <tr className="opened">
          <td />
          <td colSpan={6}>
            <p>{reasonWords(line)}</p>
            {line.title !== null && (
              <p>
                <span className="soft">
                  {line.target === null
                    ? t('gaps:WhatToDo.aTitleToBeginWith')
                    : t('gaps:WhatToDo.itsTitleCouldBe')}
                  :
                </span>{' '}
                {line.title}{' '}
                <button
                  className="plain written"
                  onClick={() => void navigator.clipboard.writeText(line.title!)}
                >
                  {t('gaps:WhatToDo.copy')}
                </button>
              </p>
            )}
            {line.words.length > 0 && (
              <p>
                <span className="soft">{t('gaps:WhatToDo.wordsItsOtherFieldsLack')}</span>{' '}
                {line.words.join(', ')}
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
  return action.startsWith('new') ? t('gaps:WhatToDo.nothingOfOursServesItYet') : '';
}

function tableOf(lines: readonly WorkLine[], currency: string): string[][] {
  return [
    [
      t('gaps:WhatToDo.whatToDo2'),
      wordOf('keyword'),
      wordOf('target'),
      t('gaps:WhatToDo.newTitle'),
      t('gaps:WhatToDo.wordsToAdd'),
      t('gaps:WhatToDo.keywordsThatWin'),
      t('gaps:WhatToDo.keywordsThatLose'),
      t('gaps:WhatToDo.clicksAddedAMonthEstimated'),
      t('gaps:WhatToDo.addsCurrencyAMonthEstimated', { currency }),
      wordOf('low'),
      wordOf('high'),
      wordOf('days'),
      wordOf('priority'),
      wordOf('why'),
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
      reasonWords(line),
    ]),
  ];
}
