import type { ProjectSettings, SettingsChange } from '@opsimath/contract/api/projects';
import { PAGE_KINDS } from '@opsimath/core/text/pageKind';
import { Input } from 'antd';

interface WordSettingsProps {
  settings: ProjectSettings;
  onChange: (next: SettingsChange, what: string) => Promise<void>;
}

const PURPOSES = ['seek', 'weigh', 'learn'] as const;
const PURPOSE_TIPS = {
  seek: 'Names of brands and places; our targets’ names are known already',
  weigh: 'Words that compare',
  learn: 'Words that ask',
};

/** Lists of words that a project sets itself: reasons of verdicts, words that tell a purpose, paths that tell a kind of page. */
export function WordSettings({ settings, onChange }: WordSettingsProps) {
  return (
    <>
      <h3>Reasons of a verdict</h3>
      <Words
        name="Reasons of a verdict"
        words={settings.verdictReasons}
        onChange={(verdictReasons) => onChange({ verdictReasons }, 'Reasons')}
      />
      <h3>What is looked for in a front</h3>
      <label>
        <span>opening lines</span>
        <Words
          name="Traits of opening lines"
          words={settings.openingTraits}
          onChange={(openingTraits) => onChange({ openingTraits }, 'Traits of opening lines')}
        />
      </label>
      <label>
        <span>pictures</span>
        <Words
          name="Traits of pictures"
          words={settings.pictureTraits}
          onChange={(pictureTraits) => onChange({ pictureTraits }, 'Traits of pictures')}
        />
      </label>
      <h3>Words that tell what a search is for</h3>
      {PURPOSES.map((purpose) => (
        <label key={purpose} title={PURPOSE_TIPS[purpose]}>
          <span>{purpose}</span>
          <Words
            name={`Words of ${purpose}`}
            words={settings.purposeWords[purpose]}
            onChange={(words) => onChange({ purposeWords: { [purpose]: words } }, `Words of ${purpose}`)}
          />
        </label>
      ))}
      <h3>Parts of a path that tell a kind of page</h3>
      {PAGE_KINDS.filter((kind) => kind !== 'home' && kind !== 'unknown').map((kind) => (
        <label key={kind}>
          <span>{kind}</span>
          <Words
            name={`Paths of ${kind}`}
            words={settings.pagePaths[kind]}
            onChange={(paths) => onChange({ pagePaths: { [kind]: paths } }, `Paths of ${kind}`)}
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
      placeholder="words with commas between"
      defaultValue={text}
      onBlur={({ target }) => take(target.value)}
      onPressEnter={(event) => {
        event.preventDefault();
        take(event.currentTarget.value);
      }}
    />
  );
}
