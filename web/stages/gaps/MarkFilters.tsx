import type { GapMark } from '@opsimath/contract/api/gapQuery';
import type { GapPage } from '@opsimath/contract/api/gaps';
import type { PaidState } from '@opsimath/core/gap/paid';
import { type Scope, comparedWith } from '../../state/scope';
import { FilterToggle, toggled } from '../../parts/words/FilterToggle';
import { EVERYTHING, isNarrowed } from './narrowed';

const MARKS: [GapMark, string][] = [
  ['near', 'We stand at 11–20 while a rival is on the front.'],
  ['gained', 'Absent at the compare-with date, ranked now.'],
  ['climbing', 'Up by three places or more.'],
  ['slipping', 'Down by five, or by three and off the front.'],
  ['lost', 'Ranked at the compare-with date, absent now.'],
  [
    'little demand',
    'We are on the front, and it brings fewer clicks a month than the settings call worth counting.',
  ],
  [
    'block to take',
    'We are on the front, and an answer, image or video block there is held by somebody else.',
  ],
  [
    'defence',
    'We are on the front, and slipping or sooner off it than on it by the horizon: what is expected to be lost if nothing is done. Sort by the column To lose.',
  ],
  ['by hand', 'Somebody typed a position of it in; it counts only where the settings say so.'],
];
const PAID: [PaidState, string][] = [
  ['unbid', 'Rivals pay for this keyword, we do not.'],
  ['outbid', 'We pay, and a rival stands above us among the paid slots.'],
  ['top', 'We pay and stand above every rival.'],
  ['only us', 'We pay, no rival does.'],
  ['quiet', 'Neither we nor rivals pay.'],
];

interface MarkFiltersProps {
  /** Whether the further choices are shown, and what shows or hides them. */
  wide: boolean;
  onWide: () => void;
  totals: GapPage['totals'] | undefined;
  scope: Scope;
  onChange: (change: Partial<Scope>) => void;
}

/** Nothing has moved since no day; and what nobody typed in is not asked for. */
function isOffered(mark: GapMark, totals: GapPage['totals'] | undefined, scope: Scope): boolean {
  if (MOVED.has(mark)) return comparedWith(scope) !== undefined;
  return mark !== 'by hand' || (totals?.marks[mark] ?? 0) > 0;
}
const MOVED: ReadonlySet<GapMark> = new Set<GapMark>(['gained', 'climbing', 'slipping', 'lost']);

/** Movement marks and paid states as filters with their counts. */
export function MarkFilters({ totals, scope, onChange, wide, onWide }: MarkFiltersProps) {
  const { marks, paid } = scope;
  const anything = isNarrowed(scope);
  return (
    <div className="marks">
      <span className="faint">Organic</span>
      {MARKS.filter(([mark]) => marks.includes(mark) || isOffered(mark, totals, scope)).map(([mark, tip]) => (
        <FilterToggle
          key={mark}
          name={mark}
          tip={tip}
          count={totals?.marks[mark]}
          on={marks.includes(mark)}
          onPress={() => onChange({ marks: toggled(marks, mark) })}
        />
      ))}
      <span className="faint" style={{ marginLeft: 6 }}>
        Paid
      </span>
      <FilterToggle
        name="doubling"
        tip="We pay while standing at 3 or better without paying."
        count={totals?.marks.doubling}
        on={marks.includes('doubling')}
        onPress={() => onChange({ marks: toggled(marks, 'doubling') })}
      />
      {PAID.map(([state, tip]) => (
        <FilterToggle
          key={state}
          name={state}
          tip={tip}
          count={totals?.paid[state]}
          on={paid.includes(state)}
          onPress={() => onChange({ paid: toggled(paid, state) })}
        />
      ))}
      <button className="plain written narrow-more" aria-expanded={wide} onClick={onWide}>
        {wide ? 'fewer choices' : 'narrow further'}
      </button>
      {anything && (
        <button className="plain written clear" onClick={() => onChange(EVERYTHING)}>
          Show all
        </button>
      )}
    </div>
  );
}
