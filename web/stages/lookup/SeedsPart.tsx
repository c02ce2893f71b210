import type { SeedWay } from '@opsimath/contract/api/lookUps';
import type { ModeCounts } from '@opsimath/contract/api/pool';
import { readSeeds } from '@opsimath/core/text/seeds';
import { Checkbox, Input, Tooltip } from 'antd';
import { Ledger } from '../../parts/table/Ledger';
import { count } from '../../parts/words/figures';
import { useLookUpsQuery, useModeCountsQuery } from '../../state/lookUpApi';
import { useScope } from '../../state/useScope';
import { useSettled } from '../../state/useSettled';
import type { LookUpDraft } from './useLookUpDraft';
import { t } from '../../words/t';

const TYPING_MS = 400;
const MOST_COUNTED = 50;
const SUM_TIP = t('lookup:SeedsPart.summedOverTheSeedKeywordsOne');

const WAYS: { value: SeedWay; label: string; tip: string }[] = [
  {
    value: 'suggestions',
    label: t('lookup:SeedsPart.suggestions'),
    tip: t('lookup:SeedsPart.whatTheSearchBoxProposesFor'),
  },
  {
    value: 'one letter more',
    label: t('lookup:SeedsPart.oneLetterMore'),
    tip: t('lookup:SeedsPart.whatItProposesWithEachLetter'),
  },
  {
    value: 'one letter before',
    label: t('lookup:SeedsPart.oneLetterBefore'),
    tip: t('lookup:SeedsPart.theSameWithEachLetterBefore'),
  },
  {
    value: 'phrase',
    label: t('lookup:SeedsPart.phrase'),
    tip: t('lookup:SeedsPart.keywordsThatHoldTheseWordsIn'),
  },
  {
    value: 'all words',
    label: t('lookup:SeedsPart.allWords'),
    tip: t('lookup:SeedsPart.keywordsThatHoldAllOfThese'),
  },
  {
    value: 'any word',
    label: t('lookup:SeedsPart.anyWord'),
    tip: t('lookup:SeedsPart.keywordsThatHoldOneOfThese'),
  },
  {
    value: 'also ranked',
    label: t('lookup:SeedsPart.alsoRankedFor'),
    tip: t('lookup:SeedsPart.whatTheFirstTenTargetsOf'),
  },
  {
    value: 'spellings',
    label: t('lookup:SeedsPart.spellings'),
    tip: t('lookup:SeedsPart.likelySlipsJoinedAndSplitWords'),
  },
  {
    value: 'words of the front',
    label: t('lookup:SeedsPart.wordsOfTheFront'),
    tip: t('lookup:SeedsPart.tagsAndTitlePhrasesOfEvery'),
  },
];

interface SeedsPartProps {
  draft: LookUpDraft;
  onChange: (change: Partial<LookUpDraft>) => void;
}

/** Seed keywords, and the ways of finding others from them. */
export function SeedsPart({ draft, onChange }: SeedsPartProps) {
  const { project, scope } = useScope();
  const seeds = readSeeds([draft.seeds]);
  const asked = useSettled(seeds.slice(0, MOST_COUNTED).join('\n'), TYPING_MS);
  const { currentData: counted } = useModeCountsQuery(
    { project, market: scope.market, date: scope.date, seeds: asked.split('\n') },
    { skip: asked === '' },
  );
  const shown = asked === '' ? undefined : counted;
  const countOf = (mode: string): number | undefined =>
    shown?.seeds
      .flatMap(({ counts }) => counts.filter((entry) => entry.mode === mode))
      .reduce<number | undefined>((sum, { keywords }) => (sum ?? 0) + keywords, undefined);
  return (
    <>
      <p className="faint">{t('lookup:SeedsPart.whatElseDoPeopleType')}</p>
      <Input.TextArea
        aria-label={t('lookup:SeedsPart.seedKeywordsOneALineOr')}
        placeholder={t('lookup:SeedsPart.seedKeywordsOneALineOr')}
        autoSize={{ minRows: 2, maxRows: 5 }}
        value={draft.seeds}
        onChange={(event) => onChange({ seeds: event.target.value })}
      />
      <Recent />
      <div className="lookup-ways">
        {WAYS.map(({ value, label, tip }) => (
          <Checkbox
            key={value}
            checked={draft.ways.includes(value)}
            onChange={({ target: box }) =>
              onChange({
                ways: box.checked ? [...draft.ways, value] : draft.ways.filter((other) => other !== value),
              })
            }
          >
            <Tooltip title={tip}>{label}</Tooltip>{' '}
            {countOf(value) !== undefined && (
              <span className="faint" title={seeds.length > 1 ? SUM_TIP : undefined}>
                {count(countOf(value))}
              </span>
            )}
          </Checkbox>
        ))}
      </div>
      {shown && shown.seeds.length > 1 && <BySeed counted={shown} />}
    </>
  );
}

/** What each seed keyword would bring in each mode, before one is chosen. */
function BySeed({ counted: { seeds } }: { counted: ModeCounts }) {
  return (
    <Ledger
      className="by-seed"
      label={t('lookup:SeedsPart.keywordsBySeed')}
      rows={seeds}
      keyOf={({ seed }) => seed}
      columns={[
        { head: t('lookup:SeedsPart.seed'), cell: ({ seed }) => seed },
        ...seeds[0]!.counts.map(({ mode }, n) => ({
          head: mode,
          figure: true,
          cell: ({ counts }: ModeCounts['seeds'][number]) => count(counts[n]!.keywords),
        })),
      ]}
    />
  );
}

const MOST_RECENT = 5;

/** Seed keywords looked up before in this market: pressing one opens its pool at once, for nothing. */
function Recent() {
  const { project, scope, change } = useScope();
  const { data: lookUps } = useLookUpsQuery(project);
  const recent = (lookUps ?? [])
    .filter((lookUp) => lookUp.market === scope.market && lookUp.request.seeds.length > 0)
    .slice(0, MOST_RECENT);
  if (recent.length === 0) return null;
  return (
    <div className="faint">
      {t('lookup:SeedsPart.held')}{' '}
      {recent.map((lookUp) => (
        <button
          key={lookUp.id}
          className="plain written recent"
          title={t('lookup:SeedsPart.lookedUpForDateOpensAt', { date: lookUp.date })}
          onClick={() => change({ lookUp: lookUp.id })}
        >
          {lookUp.request.seeds.join(', ')}
        </button>
      ))}
    </div>
  );
}
