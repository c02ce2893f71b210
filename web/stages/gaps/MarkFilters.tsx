import type { GapMark } from '@opsimath/contract/api/gapChoices';
import type { GapPage } from '@opsimath/contract/api/gaps';
import type { PaidState } from '@opsimath/core/gap/paid';
import { type Scope, comparedWith } from '../../state/scope';
import { FilterToggle, toggled } from '../../parts/words/FilterToggle';
import { EVERYTHING, isNarrowed } from './narrowed';
import { t, wordOf } from '../../words/t';

const MARKS: [GapMark, string][] = [
  ['near', t('gaps:MarkFilters.weStandAt1120While')],
  ['gained', t('gaps:MarkFilters.absentAtTheCompareWithDate')],
  ['climbing', t('gaps:MarkFilters.upByThreePlacesOrMore')],
  ['slipping', t('gaps:MarkFilters.downByFiveOrByThree')],
  ['lost', t('gaps:MarkFilters.rankedAtTheCompareWithDate')],
  ['little demand', t('gaps:MarkFilters.weAreOnTheFrontAnd')],
  ['block to take', t('gaps:MarkFilters.weAreOnTheFrontAnd2')],
  ['defence', t('gaps:MarkFilters.weAreOnTheFrontAnd3')],
  ['by hand', t('gaps:MarkFilters.somebodyTypedAPositionOfIt')],
];
const PAID: [PaidState, string][] = [
  ['unbid', t('gaps:MarkFilters.rivalsPayForThisKeywordWe')],
  ['outbid', t('gaps:MarkFilters.wePayAndARivalStands')],
  ['top', t('gaps:MarkFilters.wePayAndStandAboveEvery')],
  ['only us', t('gaps:MarkFilters.wePayNoRivalDoes')],
  ['quiet', t('gaps:MarkFilters.neitherWeNorRivalsPay')],
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
      <span className="faint">{t('gaps:MarkFilters.organic')}</span>
      {MARKS.filter(([mark]) => marks.includes(mark) || isOffered(mark, totals, scope)).map(([mark, tip]) => (
        <FilterToggle
          key={mark}
          name={wordOf(mark)}
          tip={tip}
          section="5"
          count={totals?.marks[mark]}
          on={marks.includes(mark)}
          onPress={() => onChange({ marks: toggled(marks, mark) })}
        />
      ))}
      <span className="faint" style={{ marginLeft: 6 }}>
        {t('gaps:MarkFilters.paid')}
      </span>
      <FilterToggle
        name={wordOf('doubling')}
        tip={t('gaps:MarkFilters.wePayWhileStandingAt3')}
        section="5"
        count={totals?.marks.doubling}
        on={marks.includes('doubling')}
        onPress={() => onChange({ marks: toggled(marks, 'doubling') })}
      />
      {PAID.map(([state, tip]) => (
        <FilterToggle
          key={state}
          name={wordOf(state)}
          tip={tip}
          section="5"
          count={totals?.paid[state]}
          on={paid.includes(state)}
          onPress={() => onChange({ paid: toggled(paid, state) })}
        />
      ))}
      <button className="plain written narrow-more" aria-expanded={wide} onClick={onWide}>
        {wide ? t('gaps:MarkFilters.fewerChoices') : t('gaps:MarkFilters.narrowFurther')}
      </button>
      {anything && (
        <button className="plain written clear" onClick={() => onChange(EVERYTHING)}>
          {t('gaps:MarkFilters.showAll')}
        </button>
      )}
    </div>
  );
}
