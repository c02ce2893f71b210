import { type ProjectSettings, type SettingsChange, projectSettings } from '@opsimath/contract/api/projects';
import { CHANCE_FEATURES } from '@opsimath/core/gap/chance';
import { Checkbox } from 'antd';
import { Figure } from './Figure';

const DEFAULTS = projectSettings.parse({});
const SURFACES = ['web', 'video', 'marketplace'] as const;

interface ChanceSettingsProps {
  settings: ProjectSettings;
  onChange: (next: SettingsChange, what: string) => Promise<void>;
}

/** How clicks and chance are estimated, and what else demand and positions may rest on. */
export function ChanceSettings({ settings, onChange }: ChanceSettingsProps) {
  return (
    <>
      <h3>Clicks and chance</h3>
      {SURFACES.map((surface) => (
        <label key={surface}>
          <span>Clicks at 1 and decay, {surface}</span>
          <span className="pair">
            <Figure
              value={settings.curvePrior[surface].first}
              min={0.001}
              max={1}
              onChange={(first) =>
                onChange({ curvePrior: { [surface]: { first } } }, `The curve of ${surface}`)
              }
            />
            <Figure
              value={settings.curvePrior[surface].decay}
              min={0}
              max={5}
              onChange={(decay) =>
                onChange({ curvePrior: { [surface]: { decay } } }, `The curve of ${surface}`)
              }
            />
          </span>
          {(settings.curvePrior[surface].first !== DEFAULTS.curvePrior[surface].first ||
            settings.curvePrior[surface].decay !== DEFAULTS.curvePrior[surface].decay) && (
            <span className="faint">
              {' '}
              usual {DEFAULTS.curvePrior[surface].first} and {DEFAULTS.curvePrior[surface].decay}
            </span>
          )}
        </label>
      ))}
      <p>
        <Checkbox
          checked={settings.curveFitted}
          onChange={({ target }) => void onChange({ curveFitted: target.checked }, 'The curve')}
        >
          the curve leans on own search performance
        </Checkbox>
      </p>
      <p>
        <Checkbox
          checked={settings.brandLeftOut}
          onChange={({ target }) => void onChange({ brandLeftOut: target.checked }, 'The curve')}
        >
          queries with our own name are left out of it
        </Checkbox>
      </p>
      <p>
        <Checkbox
          checked={settings.chanceFitted}
          onChange={({ target }) => void onChange({ chanceFitted: target.checked }, 'The weights')}
        >
          weights of chance are fitted on captures
        </Checkbox>
      </p>
      <h3>Weights of chance that is not fitted</h3>
      {CHANCE_FEATURES.map((feature, n) => (
        <label key={feature}>
          <span>{feature}</span>
          <Figure
            value={settings.chanceWeights[n]!}
            min={-20}
            max={20}
            onChange={(weight) =>
              onChange({ chanceWeights: settings.chanceWeights.with(n, weight) }, `Weight of ${feature}`)
            }
          />
          {settings.chanceWeights[n] !== DEFAULTS.chanceWeights[n] && (
            <span className="faint"> usual {DEFAULTS.chanceWeights[n]}</span>
          )}
        </label>
      ))}
      <p>
        <Checkbox
          checked={settings.volumeBorrowed}
          onChange={({ target }) => void onChange({ volumeBorrowed: target.checked }, 'Borrowed volume')}
        >
          volume is borrowed from another surface where none is known
        </Checkbox>
      </p>
      <p>
        <Checkbox
          checked={settings.handCounts}
          onChange={({ target }) => void onChange({ handCounts: target.checked }, 'Positions typed in')}
        >
          positions typed in by hand count in gaps
        </Checkbox>
      </p>
    </>
  );
}
