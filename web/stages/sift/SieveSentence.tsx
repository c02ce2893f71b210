import { FOUND_BY } from '@opsimath/contract/api/foundBy';
import type { KeywordList } from '@opsimath/contract/api/lists';
import type { Sieve } from '@opsimath/contract/api/sift';
import type { Marker } from '@opsimath/contract/api/markers';
import { QUERY_GROUPS } from '@opsimath/core/performance/queryGroups';
import { PURPOSES } from '@opsimath/core/sift/purpose';
import { TRENDS, VERDICTS } from '@opsimath/core/sift/sieve';
import { LANGUAGES } from '@opsimath/core/text/languages';
import { LANGUAGE_NAMES } from '../../parts/words/languages';
import { WordsSentence } from './WordsSentence';
import { FIGURE_TIPS } from './figureTips';
import { HoldsOrNot } from './HoldsOrNot';
import { Choice, NumberInput, Several } from './sentenceInputs';
import { plain } from './sentenceWords';
import { Told } from '../../words/Told';
import { Limits, Unknown } from './SieveLimits';
import { t, wordOf } from '../../words/t';

interface SieveSentenceProps {
  sieve: Sieve;
  targets: readonly string[];
  lists: readonly KeywordList[];
  markers: readonly Marker[];
  /** Reasons of verdicts that the project has. */
  reasons: readonly string[];
  onChange: (sieve: Sieve) => void;
}

const LEVELS = [
  { value: 'any', label: t('sift:SieveSentence.anyWordNotToBeUsed') },
  { value: 'forbidden', label: t('sift:SieveSentence.forbiddenWords') },
  { value: 'doubtful', label: t('sift:SieveSentence.doubtfulWords') },
] as const;
const SPOKEN = LANGUAGES.map((value) => ({ value, label: LANGUAGE_NAMES[value] }));
/** A sieve as a sentence, each word of it edited where it stands. */
// eslint-disable-next-line max-lines-per-function -- one short sentence for each kind of sieve
export function SieveSentence({ sieve, targets, lists, markers, reasons, onChange }: SieveSentenceProps) {
  switch (sieve.kind) {
    case 'words':
      return <WordsSentence sieve={sieve} onChange={onChange} />;
    case 'reason':
      return (
        <>
          <Choice
            name={t('sift:SieveSentence.judgedForOrNot')}
            value={sieve.out ? 'was not judged for' : 'was judged for'}
            options={plain(['was judged for', 'was not judged for'])}
            onChange={(value) => onChange({ ...sieve, out: value === 'was not judged for' })}
          />{' '}
          <Several
            name={t('sift:SieveSentence.reasons')}
            values={[...sieve.reasons]}
            options={reasons.map((value) => ({
              value,
              label: value === '' ? t('sift:SieveSentence.noReason') : value,
            }))}
            onChange={(chosen) => onChange({ ...sieve, reasons: chosen })}
          />
        </>
      );
    case 'figure':
      return (
        <>
          <b title={FIGURE_TIPS[sieve.figure]}>{wordOf(sieve.figure)}</b>{' '}
          <Limits sieve={sieve} onChange={onChange} />
        </>
      );
    case 'position':
      return (
        <>
          <Choice
            name={t('sift:SieveSentence.target')}
            value={sieve.target}
            options={plain(targets)}
            onChange={(target) => onChange({ ...sieve, target })}
          />{' '}
          {t('sift:SieveSentence.stands')} <Limits sieve={sieve} onChange={onChange} />
        </>
      );
    case 'ranked by':
      return (
        <>
          <Told
            id="sift:SieveSentence.atLeastOfTargetsTargetsWithin"
            values={{ targets: targets.length }}
            parts={{
              numberInput: (
                <NumberInput
                  name={t('sift:SieveSentence.targetsThatRank')}
                  value={sieve.atLeast}
                  onChange={(atLeast) => onChange({ ...sieve, atLeast: Math.round(atLeast ?? 1) })}
                />
              ),
            }}
          />{' '}
          <NumberInput
            name={t('sift:SieveSentence.depth')}
            value={sieve.within}
            onChange={(within) => onChange({ ...sieve, within: Math.max(1, Math.round(within ?? 100)) })}
          />
        </>
      );
    case 'found':
      return (
        <>
          {t('sift:SieveSentence.foundBy')}{' '}
          <Several
            name={t('sift:SieveSentence.ways')}
            values={sieve.ways}
            options={plain(FOUND_BY)}
            onChange={(ways) => onChange({ ...sieve, ways })}
          />
        </>
      );
    case 'trend':
      return (
        <>
          <b>{t('sift:SieveSentence.trend')}</b>{' '}
          <Several
            name={t('sift:SieveSentence.trends')}
            values={sieve.trends}
            options={plain(TRENDS)}
            onChange={(trends) => onChange({ ...sieve, trends })}
          />
          <Unknown sieve={sieve} onChange={onChange} />
        </>
      );
    case 'verdict':
      return (
        <>
          {t('sift:SieveSentence.judged')}{' '}
          <Several
            name={t('sift:SieveSentence.verdicts')}
            values={sieve.verdicts}
            options={plain(VERDICTS)}
            onChange={(verdicts) => onChange({ ...sieve, verdicts })}
          />
        </>
      );
    case 'list':
      return (
        <>
          <Choice
            name={t('sift:SieveSentence.inOrNotIn')}
            value={sieve.out ? 'is not in' : 'is in'}
            options={plain(['is in', 'is not in'])}
            onChange={(value) => onChange({ ...sieve, out: value === 'is not in' })}
          />
          <Choice
            name={t('sift:SieveSentence.list')}
            value={String(sieve.list)}
            options={[
              { value: '0', label: t('sift:SieveSentence.noListYet') },
              ...lists.map(({ id, name }) => ({ value: String(id), label: name })),
            ]}
            onChange={(list) => onChange({ ...sieve, list: Number(list) })}
          />
        </>
      );
    case 'marker':
      return (
        <>
          <Choice
            name={t('sift:SieveSentence.markedOrNot')}
            value={sieve.out ? 'is not marked' : 'is marked'}
            options={plain(['is marked', 'is not marked'])}
            onChange={(value) => onChange({ ...sieve, out: value === 'is not marked' })}
          />
          <Choice
            name={t('sift:SieveSentence.marker')}
            value={String(sieve.marker)}
            options={[
              { value: '0', label: t('sift:SieveSentence.noMarkerYet') },
              ...markers.map(({ id, name }) => ({ value: String(id), label: name })),
            ]}
            onChange={(marker) => onChange({ ...sieve, marker: Number(marker) })}
          />
        </>
      );
    case 'banned words':
      return (
        <>
          <HoldsOrNot out={sieve.out} onChange={(out) => onChange({ ...sieve, out })} />
          <Choice
            name={t('sift:SieveSentence.level')}
            value={sieve.level}
            options={LEVELS}
            onChange={(level) => onChange({ ...sieve, level })}
          />
        </>
      );
    case 'language':
      return (
        <>
          <b>{t('sift:SieveSentence.language')}</b>{' '}
          <Several
            name={t('sift:SieveSentence.languages')}
            values={sieve.languages}
            options={SPOKEN}
            onChange={(languages) => onChange({ ...sieve, languages })}
          />
          <Unknown sieve={sieve} onChange={onChange} />
        </>
      );
    case 'purpose':
      return (
        <>
          <b>{t('sift:SieveSentence.purpose')}</b>{' '}
          <Several
            name={t('sift:SieveSentence.purposes')}
            values={sieve.purposes}
            options={plain(PURPOSES)}
            onChange={(purposes) => onChange({ ...sieve, purposes })}
          />
        </>
      );
    case 'seen by hand':
      return (
        <>
          <Choice
            name={t('sift:SieveSentence.seenByHandOrNot')}
            value={sieve.out === null ? '' : sieve.out ? 'nobody' : 'somebody'}
            options={plain(['somebody', 'nobody'])}
            onChange={(value) => onChange({ ...sieve, out: value === 'nobody' })}
          />{' '}
          <Told id="sift:SieveSentence.typedInWhereItWasSeen" parts={{ b: <b /> }} />
        </>
      );
    case 'own queries':
      return (
        <>
          <Told id="sift:SieveSentence.ownQueriesOfTheLast28" parts={{ b: <b /> }} />{' '}
          <Choice
            name={t('sift:SieveSentence.inOrOut')}
            value={sieve.out ? 'out' : 'in'}
            options={[
              { value: 'in', label: t('sift:SieveSentence.are') },
              { value: 'out', label: t('sift:SieveSentence.areNot') },
            ]}
            onChange={(way) => onChange({ ...sieve, out: way === 'out' })}
          />{' '}
          <Several
            name={t('sift:SieveSentence.groupsOfOwnQueries')}
            values={sieve.groups}
            options={plain(QUERY_GROUPS.filter((group) => group !== 'below the goal'))}
            onChange={(groups) => onChange({ ...sieve, groups })}
          />
        </>
      );
    case 'main variants':
      return (
        <>
          <Told id="sift:SieveSentence.isTheMainKeywordOfIts" parts={{ b: <b /> }} />
        </>
      );
  }
}
