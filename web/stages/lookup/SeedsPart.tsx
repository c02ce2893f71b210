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

const TYPING_MS = 400;
const MOST_COUNTED = 50;
const SUM_TIP = 'Summed over the seed keywords: one keyword may come by several.';

const WAYS: { value: SeedWay; label: string; tip: string }[] = [
  { value: 'suggestions', label: 'suggestions', tip: 'What the search box proposes for it.' },
  {
    value: 'one letter more',
    label: 'one letter more',
    tip: 'What it proposes with each letter and digit of the market’s alphabet after it.',
  },
  { value: 'one letter before', label: 'one letter before', tip: 'The same with each letter before it.' },
  { value: 'phrase', label: 'phrase', tip: 'Keywords that hold these words in this order.' },
  { value: 'all words', label: 'all words', tip: 'Keywords that hold all of these words, in any order.' },
  {
    value: 'any word',
    label: 'any word',
    tip: 'Keywords that hold one of these words at least. Of a common word that is a flood.',
  },
  {
    value: 'also ranked',
    label: 'also ranked for',
    tip: 'What the first ten targets of its result page rank for as well, with how many of the ten do.',
  },
  {
    value: 'spellings',
    label: 'spellings',
    tip: 'Likely slips, joined and split words, of which a volume is known.',
  },
  {
    value: 'words of the front',
    label: 'words of the front',
    tip: 'Tags and title phrases of every target on its front, with how many use them.',
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
      <p className="faint">What else do people type?</p>
      <Input.TextArea
        aria-label="Seed keywords, one a line or with commas"
        placeholder="Seed keywords, one a line or with commas"
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
      label="Keywords by seed"
      rows={seeds}
      keyOf={({ seed }) => seed}
      columns={[
        { head: 'Seed', cell: ({ seed }) => seed },
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
      Held:{' '}
      {recent.map((lookUp) => (
        <button
          key={lookUp.id}
          className="plain written recent"
          title={`Looked up for ${lookUp.date}: opens at once`}
          onClick={() => change({ lookUp: lookUp.id })}
        >
          {lookUp.request.seeds.join(', ')}
        </button>
      ))}
    </div>
  );
}
