import type { ChangeEffect, Rechecked, WatchView } from '@opsimath/contract/api/watch';
import { Button } from 'antd';
import { Fragment, useMemo, useState } from 'react';
import { FindBox } from '../../parts/words/FindBox';
import { count, spelledDay } from '../../parts/words/figures';
import { useTrouble } from '../../parts/words/useTrouble';
import { useScope } from '../../state/useScope';
import { useRecheckMutation } from '../../state/watchApi';
import { IntervalMark } from './IntervalMark';
import { LookedAt } from './LookedAt';
import { StripLine } from './StripLine';
import { clicksWords, effectWord, movedWords, readyWords } from './watchWords';
import { t, wordOf } from '../../words/t';

interface WatchKeywordsProps {
  watch: WatchView;
  changes: readonly ChangeEffect[];
  find: string;
  onFind: (find: string) => void;
  onAll: () => void;
}

/** A strip for each keyword that is followed: where it stood, what was changed for it, and what that did. */
export function WatchKeywords({ watch, changes, find, onFind, onAll }: WatchKeywordsProps) {
  const led = useMemo(() => ledBy(changes), [changes]);
  const most95 = Math.max(
    1,
    ...changes.flatMap(({ effect }) =>
      effect.state === 'told' ? [Math.abs(effect.clicks.low), Math.abs(effect.clicks.high)] : [],
    ),
  );
  return (
    <>
      <p className="soft watch-find">
        <FindBox value={find} onFind={onFind} width={190} /> {t('watch:WatchKeywords.oursAndTheBestRival1')}
      </p>
      <table className="ledger strips" aria-label={t('watch:WatchKeywords.keywordsFollowed')}>
        <thead>
          <tr>
            <th>{t('watch:WatchKeywords.keywordAndChange')}</th>
            <th title={t('watch:WatchKeywords.onTheFirstDayDrawnAnd')}>
              {t('watch:WatchKeywords.position')}
            </th>
            <th>
              {watch.days.length > 0
                ? t('watch:WatchKeywords.daysToAt', {
                    days: spelledDay(watch.days[0]!),
                    at: spelledDay(watch.days.at(-1)!),
                  })
                : t('watch:WatchKeywords.days')}
            </th>
            <th>{t('watch:WatchKeywords.effect')}</th>
            <th title={t('watch:WatchKeywords.whatTheChangeBroughtBesideKeywords')}>
              {t('watch:WatchKeywords.clicksAMonth95')}
            </th>
          </tr>
        </thead>
        <tbody>
          {watch.strips.map((strip) => (
            <StripRow
              key={strip.id}
              strip={strip}
              watch={watch}
              led={led.get(strip.id) ?? []}
              most={most95}
            />
          ))}
        </tbody>
      </table>
      {watch.stripsInAll > watch.strips.length && (
        <Button size="small" onClick={onAll}>
          {t('watch:WatchKeywords.showAllStripsInAll', { stripsInAll: count(watch.stripsInAll) })}
        </Button>
      )}
    </>
  );
}

/** Changes by each keyword that they aim at. */
function ledBy(changes: readonly ChangeEffect[]): Map<number, ChangeEffect[]> {
  const found = new Map<number, ChangeEffect[]>();
  for (const change of changes)
    for (const { id } of change.keywords) found.set(id, [...(found.get(id) ?? []), change]);
  return found;
}

interface StripRowProps {
  strip: WatchView['strips'][number];
  watch: WatchView;
  /** Changes that aim at it, the newest first. */
  led: readonly ChangeEffect[];
  most: number;
}

function StripRow({ strip, watch, led, most }: StripRowProps) {
  const { project, scope, change } = useScope();
  const [look, { isLoading }] = useRecheckMutation();
  const [seen, show] = useState<Rechecked | null>(null);
  const trouble = useTrouble();
  const [newest] = led;
  return (
    <Fragment>
      <tr>
        <td>
          <button className="plain" onClick={() => change({ open: strip.id })}>
            <b className="serif">{strip.text}</b>
          </button>
          <span className="soft under">
            {newest
              ? `${wordOf(newest.kind)}, ${spelledDay(newest.date)}`
              : t('watch:WatchKeywords.notTouched')}{' '}
            <button
              className="plain written"
              disabled={isLoading}
              title={t('watch:WatchKeywords.aFreshLookAtItsResult')}
              onClick={() =>
                void look({ project, market: scope.market, keywords: [strip.id] })
                  .unwrap()
                  .then(show)
                  .catch(trouble)
              }
            >
              {t('watch:WatchKeywords.lookNow')}
            </button>
          </span>
        </td>
        <td className="no-break">
          <b>{movedWords(strip)}</b>
          {strip.paid !== 'unknown' && strip.paid !== 'absent' && (
            <span className="soft under">{t('watch:WatchKeywords.paidPaid', { paid: strip.paid })}</span>
          )}
        </td>
        <td>
          <StripLine
            strip={strip}
            days={watch.stripDays}
            front={watch.front}
            marks={led.map(({ date }) => date)}
          />
        </td>
        <td>
          {newest ? (
            <button className="plain" onClick={() => change({ view: 'changes' })}>
              {effectWord(newest)}
            </button>
          ) : (
            <span className="soft">{t('watch:WatchKeywords.comparedWith')}</span>
          )}
        </td>
        <td>
          {newest?.effect.state === 'told' ? (
            <>
              <IntervalMark
                {...newest.effect.clicks}
                most={most}
                words={t('watch:WatchKeywords.clicksAMonth')}
              />
              <span className="soft under">
                {newest.mixedWith.length > 0 && `${t('watch:WatchKeywords.togetherWithAnother')} `}
                {clicksWords(newest.effect.clicks)}
              </span>
            </>
          ) : (
            newest && <span className="soft">{readyWords(newest)}</span>
          )}
        </td>
      </tr>
      {seen && (
        <tr>
          <td colSpan={5}>
            <LookedAt seen={seen} />
          </td>
        </tr>
      )}
    </Fragment>
  );
}
