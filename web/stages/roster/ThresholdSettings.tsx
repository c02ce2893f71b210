import type { ProjectSettings } from '@opsimath/contract/api/projects';
import { Checkbox } from 'antd';
import type { SettingsPart } from './EffortSettings';
import { Figure } from './Figure';
import { DEFAULTS, Usual } from './Usual';

type Threshold = keyof ProjectSettings['thresholds'];
const PLACES: [Threshold, string][] = [
  ['climbing', 'Climbing from, places'],
  ['slipping', 'Slipping from, places'],
  ['slippingOff', 'Slipping off the front from, places'],
  ['doubling', 'Paid for twice down to our position'],
];
const SHARES: [Threshold, string, number][] = [
  ['dearShare', 'Dear clicks, share of the highest CPCs, 0–1', 1],
  ['easier', 'Easier neighbour from, times our chance', 100],
  ['costly', 'Costly from, times what a conversion may cost', 1000],
];
const VERDICTS = ['fit', 'unjudged', 'adjacent', 'off'] as const;
const SURFACES = ['web', 'video', 'marketplace'] as const;

/** From where on something is marked, listed or called so. */
export function ThresholdSettings({ settings, onChange: apply }: SettingsPart) {
  const { thresholds, fits, titleLimits } = settings;
  return (
    <>
      <h3>From where on it counts</h3>
      <label>
        <span>Organic keywords to one paid</span>
        <Figure
          value={settings.guideRatio}
          min={0.01}
          max={1000}
          onChange={(guideRatio) => apply({ guideRatio }, 'Organic to one paid')}
        />
        <Usual value={settings.guideRatio} usual={DEFAULTS.guideRatio} />
      </label>
      <label>
        <span>Little demand below, clicks a month</span>
        <Figure
          value={settings.littleDemand}
          min={0}
          max={1_000_000}
          onChange={(littleDemand) => apply({ littleDemand }, 'Little demand')}
        />
        <Usual value={settings.littleDemand} usual={DEFAULTS.littleDemand} />
      </label>
      <label>
        <span>Results a page</span>
        <Figure
          value={settings.resultsPerPage}
          min={1}
          max={100}
          whole
          onChange={(resultsPerPage) => apply({ resultsPerPage }, 'Results a page')}
          onEmpty={() => apply({ resultsPerPage: null }, 'Results a page')}
        />
        {settings.resultsPerPage === null && <span className="faint"> as the services say</span>}
      </label>
      {PLACES.map(([name, label]) => (
        <label key={name}>
          <span>{label}</span>
          <Figure
            value={thresholds[name]}
            min={1}
            max={100}
            whole
            onChange={(value) => apply({ thresholds: { [name]: value } }, label)}
          />
          <Usual value={thresholds[name]} usual={DEFAULTS.thresholds[name]} />
        </label>
      ))}
      {SHARES.map(([name, label, most]) => (
        <label key={name}>
          <span>{label}</span>
          <Figure
            value={thresholds[name]}
            min={name === 'easier' ? 1 : 0}
            max={most}
            onChange={(value) => apply({ thresholds: { [name]: value } }, label)}
          />
          <Usual value={thresholds[name]} usual={DEFAULTS.thresholds[name]} />
        </label>
      ))}
      <label>
        <span>Complete look-ups make absent</span>
        <Checkbox
          checked={settings.presumedAbsent}
          onChange={({ target }) => void apply({ presumedAbsent: target.checked }, 'Presumed absence')}
        >
          where they do not name a keyword, until a capture settles it
        </Checkbox>
      </label>
      <h3>What a verdict leaves of a worth, 0–1</h3>
      {VERDICTS.map((verdict) => (
        <label key={verdict}>
          <span>{verdict}</span>
          <Figure
            value={fits[verdict]}
            min={0}
            max={1}
            onChange={(value) => apply({ fits: { [verdict]: value } }, `Weight of ${verdict}`)}
          />
          <Usual value={fits[verdict]} usual={DEFAULTS.fits[verdict]} />
        </label>
      ))}
      <h3>Titles are too long from, characters</h3>
      {SURFACES.map((surface) => (
        <label key={surface}>
          <span>a title, {surface}</span>
          <Figure
            value={titleLimits[surface]}
            min={10}
            max={1000}
            whole
            onChange={(most) => apply({ titleLimits: { [surface]: most } }, `Titles of ${surface}`)}
          />
          <Usual value={titleLimits[surface]} usual={DEFAULTS.titleLimits[surface]} />
        </label>
      ))}
    </>
  );
}
