import type { ProjectSettings, SettingsChange } from '@opsimath/contract/api/projects';
import { ACTIONS } from '@opsimath/core/gap/action';
import { Figure } from './Figure';
import { DEFAULTS, Usual } from './Usual';

const SURFACES = ['web', 'video', 'marketplace'] as const;

export interface SettingsPart {
  settings: ProjectSettings;
  onChange: (next: SettingsChange, what: string) => Promise<void>;
}

/** What work takes, how far ahead is foretold, how many tags a target may bear, and when figures are old. */
export function EffortSettings({ settings, onChange: apply }: SettingsPart) {
  return (
    <>
      <h3>Effort in days</h3>
      {ACTIONS.filter((action) => action !== 'hold').map((action) => (
        <label key={action}>
          <span>{action}</span>
          <Figure
            value={settings.efforts[action]}
            min={0.01}
            max={365}
            onChange={(days) => apply({ efforts: { [action]: days } }, `Effort to ${action}`)}
          />
          <Usual value={settings.efforts[action]} usual={DEFAULTS.efforts[action]} />
        </label>
      ))}
      <h3>Forecast</h3>
      {SURFACES.map((surface) => (
        <label key={surface}>
          <span>Days ahead, {surface}</span>
          <Figure
            value={settings.horizons[surface]}
            min={1}
            max={365}
            whole
            onChange={(days) => apply({ horizons: { [surface]: days } }, `Forecast of ${surface}`)}
          />
          <Usual value={settings.horizons[surface]} usual={DEFAULTS.horizons[surface]} />
        </label>
      ))}
      <h3>Bids</h3>
      <label>
        <span>Share of paid clicks that come to our result once a bid is gone</span>
        <Figure
          value={settings.shareMoved}
          min={0}
          max={1}
          onChange={(shareMoved) => apply({ shareMoved }, 'Share of clicks that move')}
        />
        <Usual value={settings.shareMoved} usual={DEFAULTS.shareMoved} />
      </label>
      <h3>Clicks an impression that are aimed at</h3>
      <label>
        <span>CTR of own queries, 0 to 1</span>
        <Figure
          value={settings.goals.clickThrough}
          min={0}
          max={1}
          onChange={(clickThrough) => apply({ goals: { clickThrough } }, 'Wanted CTR')}
        />
      </label>
      <h3>Conversions a click that are aimed at</h3>
      {(['organic', 'paid'] as const).map((way) => (
        <label key={way}>
          <span>{way === 'organic' ? 'Free clicks' : 'Paid clicks'}</span>
          <Figure
            value={settings.goals[way]}
            min={0}
            max={1}
            onChange={(rate) => apply({ goals: { [way]: rate } }, `Goal of ${way} clicks`)}
          />
        </label>
      ))}
      <h3>Tags of a target, at most</h3>
      {(['video', 'marketplace'] as const).map((surface) => (
        <label key={surface}>
          <span>Tags and characters together, {surface}</span>
          <span className="pair">
            {(['tags', 'characters'] as const).map((unit) => (
              <Figure
                key={unit}
                value={settings.tagLimits[surface][unit]}
                min={1}
                max={unit === 'tags' ? 1000 : 100_000}
                whole
                onChange={(most) =>
                  apply({ tagLimits: { [surface]: { [unit]: most } } }, `Tags of ${surface}`)
                }
              />
            ))}
          </span>
        </label>
      ))}
      <h3>Figures are old after, in days</h3>
      {SURFACES.map((surface) => (
        <label key={surface}>
          <span>{surface}</span>
          <Figure
            value={settings.oldAfter[surface]}
            min={1}
            max={3650}
            whole
            onChange={(days) => apply({ oldAfter: { [surface]: days } }, `Age limit of ${surface}`)}
          />
          <Usual value={settings.oldAfter[surface]} usual={DEFAULTS.oldAfter[surface]} />
        </label>
      ))}
    </>
  );
}
