import type { ProjectSettings, SettingsChange } from '@opsimath/contract/api/projects';
import { PAGE_KINDS } from '@opsimath/core/text/pageKind';
import { Input } from 'antd';
import { t, wordOf } from '../../words/t';

interface WordSettingsProps {
  settings: ProjectSettings;
  onChange: (next: SettingsChange, what: string) => Promise<void>;
}

const PURPOSES = ['seek', 'weigh', 'learn'] as const;
const PURPOSE_TIPS = {
  seek: t('roster:WordSettings.namesOfBrandsAndPlacesOur'),
  weigh: t('roster:WordSettings.wordsThatCompare'),
  learn: t('roster:WordSettings.wordsThatAsk'),
};

/** Lists of words that a project sets itself: reasons of verdicts, words that tell a purpose, paths that tell a kind of page. */
export function WordSettings({ settings, onChange }: WordSettingsProps) {
  return (
    <>
      <h3>{t('roster:WordSettings.reasonsOfAVerdict')}</h3>
      <Words
        name={t('roster:WordSettings.reasonsOfAVerdict')}
        words={settings.verdictReasons}
        onChange={(verdictReasons) => onChange({ verdictReasons }, t('roster:WordSettings.reasons'))}
      />
      <h3>{t('roster:WordSettings.whatIsLookedForInA')}</h3>
      <label>
        <span>{t('roster:WordSettings.openingLines')}</span>
        <Words
          name={t('roster:WordSettings.traitsOfOpeningLines')}
          words={settings.openingTraits}
          onChange={(openingTraits) =>
            onChange({ openingTraits }, t('roster:WordSettings.traitsOfOpeningLines'))
          }
        />
      </label>
      <label>
        <span>{t('roster:WordSettings.pictures')}</span>
        <Words
          name={t('roster:WordSettings.traitsOfPictures')}
          words={settings.pictureTraits}
          onChange={(pictureTraits) => onChange({ pictureTraits }, t('roster:WordSettings.traitsOfPictures'))}
        />
      </label>
      <h3>{t('roster:WordSettings.wordsThatTellWhatASearch')}</h3>
      {PURPOSES.map((purpose) => (
        <label key={purpose} title={PURPOSE_TIPS[purpose]}>
          <span>{wordOf(purpose)}</span>
          <Words
            name={t('roster:WordSettings.wordsOfPurpose', { purpose: wordOf(purpose) })}
            words={settings.purposeWords[purpose]}
            onChange={(words) =>
              onChange(
                { purposeWords: { [purpose]: words } },
                t('roster:WordSettings.wordsOfPurpose', { purpose: wordOf(purpose) }),
              )
            }
          />
        </label>
      ))}
      <h3>{t('roster:WordSettings.partsOfAPathThatTell')}</h3>
      {PAGE_KINDS.filter((kind) => kind !== 'home' && kind !== 'unknown').map((kind) => (
        <label key={kind}>
          <span>{wordOf(kind)}</span>
          <Words
            name={t('roster:WordSettings.pathsOfKind', { kind: wordOf(kind) })}
            words={settings.pagePaths[kind]}
            onChange={(paths) =>
              onChange(
                { pagePaths: { [kind]: paths } },
                t('roster:WordSettings.pathsOfKind', { kind: wordOf(kind) }),
              )
            }
          />
        </label>
      ))}
    </>
  );
}

/** Words with commas between; taken over when the field is left. */
function Words({
  name,
  words,
  onChange,
}: {
  name: string;
  words: readonly string[];
  onChange: (words: string[]) => Promise<void>;
}) {
  const text = words.join(', ');
  const take = (typed: string): void => {
    const next = [...new Set(typed.split(/[,\n]/).flatMap((word) => word.trim() || []))].slice(0, 200);
    if (next.join(', ') !== text) void onChange(next.map((word) => word.slice(0, 80))).catch(() => undefined);
  };
  return (
    <Input.TextArea
      key={text}
      autoSize={{ minRows: 1, maxRows: 5 }}
      size="small"
      aria-label={name}
      placeholder={t('roster:WordSettings.wordsWithCommasBetween')}
      defaultValue={text}
      onBlur={({ target }) => take(target.value)}
      onPressEnter={(event) => {
        event.preventDefault();
        take(event.currentTarget.value);
      }}
    />
  );
}
