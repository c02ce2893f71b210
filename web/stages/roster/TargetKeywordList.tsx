import type { Target, TargetKeywords } from '@opsimath/contract/api/targets';
import { DEPTH_BANDS, type DepthBand } from '@opsimath/core/ranking/position';
import { Button } from 'antd';
import { useState } from 'react';
import { Lane } from '../../parts/lane/Lane';
import { LaneHead } from '../../parts/lane/LaneHead';
import '../../parts/lane/lane.css';
import { Ledger } from '../../parts/table/Ledger';
import { Tick } from '../../parts/table/Tick';
import { FilterToggle } from '../../parts/words/FilterToggle';
import { Waiting } from '../../parts/words/Waiting';
import { OpenKeyword } from '../../parts/words/OpenKeyword';
import { Problem } from '../../parts/words/Problem';
import { count, counted } from '../../parts/words/figures';
import { useTargetKeywordsQuery } from '../../state/rosterApi';
import { useScope } from '../../state/useScope';
import { useFrontSize } from '../../state/useFrontSize';
import { useLookUpOf } from '../../state/useLookUpOf';
import { useShown } from '../../state/useShown';
import { useTraySelection } from '../../state/useTraySelection';
import { t, wordOf } from '../../words/t';

const LANE = 165;
const FEW = 100;
const MIX = ['0–33', '34–66', '67–100', 'unknown'];

/** One target with all its keywords, by depth, and its tags with their positions and how hard they are. */
export function TargetKeywordList({ target }: { target: Target }) {
  const { project, scope } = useScope();
  const [band, setBand] = useShown<DepthBand | ''>('targetDepth', '', DEPTH_BANDS);
  const { data, error } = useTargetKeywordsQuery({
    project,
    target: target.id,
    market: scope.market,
    date: scope.date,
    band: band === '' ? undefined : band,
  });
  if (error) return <Problem error={error} />;
  if (!data) return <Waiting for={t('roster:TargetKeywordList.itsKeywords')} />;
  return (
    <>
      <p style={{ margin: '12px 0 4px' }}>
        {t('roster:TargetKeywordList.keywordsAtFirstAt1InFrontIn', {
          keywords: counted(data.total, 'keyword'),
          atFirst: count(data.atFirst),
          inFront: count(data.inFront),
        })}
      </p>
      <div className="marks" role="group" aria-label={t('roster:TargetKeywordList.byDepth')}>
        {DEPTH_BANDS.map((name, n) => (
          <FilterToggle
            key={name}
            name={wordOf(name)}
            tip={
              DEPTH_TIPS[name] ??
              t('roster:TargetKeywordList.keywordsForWhichItStandsAt', { name: wordOf(name) })
            }
            count={data.depth[n]}
            on={band === name}
            onPress={() => setBand(band === name ? '' : name)}
          />
        ))}
      </div>
      <Tags data={data} />
      <Keywords target={target} data={data} />
    </>
  );
}

const DEPTH_TIPS: Partial<Record<DepthBand, string>> = {
  absent: t('roster:TargetKeywordList.lookedForToTheDepthOf'),
  unknown: t('roster:TargetKeywordList.knownOfItButNotWhere'),
};

function Keywords({ target, data }: { target: Target; data: TargetKeywords }) {
  const front = useFrontSize();
  const { selected, select } = useTraySelection();
  const [all, setAll] = useState(false);
  const rows = all ? data.rows : data.rows.slice(0, FEW);
  return (
    <>
      <Ledger
        label={t('roster:TargetKeywordList.itsKeywords2')}
        rows={rows}
        keyOf={({ id }) => id}
        empty={t('roster:TargetKeywordList.noneAtThisDepth')}
        take={t('roster:TargetKeywordList.keywordsOfName', { name: target.name })}
        columns={[
          {
            head: '',
            label: t('roster:TargetKeywordList.inTheTray'),
            cell: (row) => <Tick on={selected.has(row.id)} text={row.text} onPress={() => select(row)} />,
          },
          {
            head: t('roster:TargetKeywordList.keyword'),
            cell: (row) => (
              <>
                <OpenKeyword id={row.id} text={row.text} />
                {row.isTag && <span className="faint"> {t('roster:TargetKeywordList.tag')}</span>}
                {row.address !== null && row.address !== target.address && (
                  <div className="faint one-line" title={row.address}>
                    {row.address.slice(row.address.indexOf('/') + 1)}
                  </div>
                )}
              </>
            ),
          },
          {
            head: <LaneHead width={LANE} />,
            label: t('roster:TargetKeywordList.position'),
            cell: (row) => (
              <Lane
                width={LANE}
                height={26}
                front={front}
                own={{ name: target.name, organic: row.organic, before: null, paid: row.paid }}
                rivals={[]}
              />
            ),
          },
          { head: t('roster:TargetKeywordList.volume'), figure: true, cell: ({ volume }) => count(volume) },
        ]}
      />
      {data.matched > rows.length && (
        <p className="soft">
          {t('roster:TargetKeywordList.theRowsMostSearchedOfMatched', {
            rows: count(rows.length),
            matched: count(data.matched),
          })}{' '}
          {rows.length < data.rows.length && (
            <button className="plain written" onClick={() => setAll(true)}>
              {t('roster:TargetKeywordList.showRows', { rows: count(data.rows.length) })}
            </button>
          )}
        </p>
      )}
    </>
  );
}

function Tags({ data }: { data: TargetKeywords }) {
  const lookUp = useLookUpOf();
  if (data.tags.length === 0) return null;
  const unknown = data.tags.filter((tag) => tag.position === 'unknown').map((tag) => tag.text);
  return (
    <section className="section">
      <h3>{t('roster:TargetKeywordList.itsTags')}</h3>
      <p className="soft">
        {t('roster:TargetKeywordList.byDifficultyDifficultyMixAHigher', {
          difficultyMix: data.difficultyMix
            .map((tags, i) => t('roster:TargetKeywordList.tagsAtI', { tags, i: MIX[i] }))
            .join(', '),
        })}
      </p>
      {unknown.length > 0 && (
        <Button size="small" onClick={() => lookUp(unknown, 'list')}>
          {t('roster:TargetKeywordList.lookUpThoseWhosePositionIs')}
        </Button>
      )}
      <ul className="plain-list">
        {data.tags.map((tag) => (
          <li key={tag.text}>
            {tag.id === null ? tag.text : <OpenKeyword id={tag.id} text={tag.text} />}{' '}
            <span className="soft">
              {t('roster:TargetKeywordList.whichVolumeWhich2', {
                which:
                  typeof tag.position === 'number'
                    ? t('roster:TargetKeywordList.atPosition', { position: tag.position })
                    : wordOf(tag.position),
                which2: tag.volume === null ? t('roster:TargetKeywordList.unknown') : count(tag.volume),
              })}
            </span>
          </li>
        ))}
      </ul>
    </section>
  );
}
