import { FOUND_BY } from '@opsimath/contract/api/lookUps';
import type { KeywordList } from '@opsimath/contract/api/lists';
import type { Sieve } from '@opsimath/contract/api/sift';
import type { Marker } from '@opsimath/contract/api/markers';
import { QUERY_GROUPS } from '@opsimath/core/performance/queryGroups';
import { PURPOSES } from '@opsimath/core/sift/purpose';
import { TRENDS, VERDICTS } from '@opsimath/core/sift/sieve';
import { LANGUAGES } from '@opsimath/core/text/stems';
import { LANGUAGE_NAMES } from '../../parts/words/languages';
import { WordsSentence } from './WordsSentence';
import { FIGURE_TIPS } from './figureTips';
import { HoldsOrNot } from './HoldsOrNot';
import { Choice, NumberInput, Several } from './sentenceInputs';
import { plain } from './sentenceWords';

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
  { value: 'any', label: 'any word not to be used' },
  { value: 'forbidden', label: 'forbidden words' },
  { value: 'doubtful', label: 'doubtful words' },
] as const;
const SPOKEN = LANGUAGES.map((value) => ({ value, label: LANGUAGE_NAMES[value] }));
const UNKNOWN = [
  { value: 'kept', label: 'unknown kept' },
  { value: 'out', label: 'unknown out' },
] as const;

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
            name="Judged for or not"
            value={sieve.out ? 'was not judged for' : 'was judged for'}
            options={plain(['was judged for', 'was not judged for'])}
            onChange={(value) => onChange({ ...sieve, out: value === 'was not judged for' })}
          />{' '}
          <Several
            name="Reasons"
            values={[...sieve.reasons]}
            options={reasons.map((value) => ({ value, label: value === '' ? 'no reason' : value }))}
            onChange={(chosen) => onChange({ ...sieve, reasons: chosen })}
          />
        </>
      );
    case 'figure':
      return (
        <>
          <b title={FIGURE_TIPS[sieve.figure]}>{sieve.figure}</b> <Limits sieve={sieve} onChange={onChange} />
        </>
      );
    case 'position':
      return (
        <>
          <Choice
            name="Target"
            value={sieve.target}
            options={plain(targets)}
            onChange={(target) => onChange({ ...sieve, target })}
          />{' '}
          stands <Limits sieve={sieve} onChange={onChange} />
        </>
      );
    case 'ranked by':
      return (
        <>
          at least{' '}
          <NumberInput
            name="Targets that rank"
            value={sieve.atLeast}
            onChange={(atLeast) => onChange({ ...sieve, atLeast: Math.round(atLeast ?? 1) })}
          />{' '}
          of {targets.length} targets within{' '}
          <NumberInput
            name="Depth"
            value={sieve.within}
            onChange={(within) => onChange({ ...sieve, within: Math.max(1, Math.round(within ?? 100)) })}
          />
        </>
      );
    case 'found':
      return (
        <>
          found by{' '}
          <Several
            name="Ways"
            values={sieve.ways}
            options={plain(FOUND_BY)}
            onChange={(ways) => onChange({ ...sieve, ways })}
          />
        </>
      );
    case 'trend':
      return (
        <>
          <b>trend</b>{' '}
          <Several
            name="Trends"
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
          judged{' '}
          <Several
            name="Verdicts"
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
            name="In or not in"
            value={sieve.out ? 'is not in' : 'is in'}
            options={plain(['is in', 'is not in'])}
            onChange={(value) => onChange({ ...sieve, out: value === 'is not in' })}
          />
          <Choice
            name="List"
            value={String(sieve.list)}
            options={[
              { value: '0', label: 'no list yet' },
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
            name="Marked or not"
            value={sieve.out ? 'is not marked' : 'is marked'}
            options={plain(['is marked', 'is not marked'])}
            onChange={(value) => onChange({ ...sieve, out: value === 'is not marked' })}
          />
          <Choice
            name="Marker"
            value={String(sieve.marker)}
            options={[
              { value: '0', label: 'no marker yet' },
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
            name="Level"
            value={sieve.level}
            options={LEVELS}
            onChange={(level) => onChange({ ...sieve, level })}
          />
        </>
      );
    case 'language':
      return (
        <>
          <b>language</b>{' '}
          <Several
            name="Languages"
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
          <b>purpose</b>{' '}
          <Several
            name="Purposes"
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
            name="Seen by hand or not"
            value={sieve.out === null ? '' : sieve.out ? 'nobody' : 'somebody'}
            options={plain(['somebody', 'nobody'])}
            onChange={(value) => onChange({ ...sieve, out: value === 'nobody' })}
          />{' '}
          typed in where <b>it was seen</b>
        </>
      );
    case 'own queries':
      return (
        <>
          <b>own queries</b> of the last 28 days{' '}
          <Choice
            name="In or out"
            value={sieve.out ? 'out' : 'in'}
            options={[
              { value: 'in', label: 'are' },
              { value: 'out', label: 'are not' },
            ]}
            onChange={(way) => onChange({ ...sieve, out: way === 'out' })}
          />{' '}
          <Several
            name="Groups of own queries"
            values={sieve.groups}
            options={plain(QUERY_GROUPS.filter((group) => group !== 'below the goal'))}
            onChange={(groups) => onChange({ ...sieve, groups })}
          />
        </>
      );
    case 'main variants':
      return (
        <>
          is the <b>main keyword</b> of its variants
        </>
      );
  }
}

type WithLimits = Extract<Sieve, { kind: 'figure' | 'position' }>;

function Limits({ sieve, onChange }: { sieve: WithLimits; onChange: (sieve: Sieve) => void }) {
  return (
    <>
      from{' '}
      <NumberInput name="Least" value={sieve.least} onChange={(least) => onChange({ ...sieve, least })} /> to{' '}
      <NumberInput name="Most" value={sieve.most} onChange={(most) => onChange({ ...sieve, most })} />
      <Unknown sieve={sieve} onChange={onChange} />
    </>
  );
}

function Unknown({
  sieve,
  onChange,
}: {
  sieve: Extract<Sieve, { unknown: boolean }>;
  onChange: (sieve: Sieve) => void;
}) {
  return (
    <Choice
      name="The unknown"
      value={sieve.unknown ? 'kept' : 'out'}
      options={UNKNOWN}
      onChange={(value) => onChange({ ...sieve, unknown: value === 'kept' })}
    />
  );
}
