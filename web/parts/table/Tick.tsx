import './tick.css';
import { t } from '../../words/t';

/** Whether a row is in the tray; the keyboard uses Space on the row instead. */
export function Tick({ on, text, onPress }: { on: boolean; text: string; onPress: () => void }) {
  return (
    <button
      className="plain"
      tabIndex={-1}
      role="checkbox"
      aria-checked={on}
      aria-label={t('parts:Tick.textInTheTray', { text })}
      onClick={(event) => {
        event.stopPropagation();
        onPress();
      }}
    >
      <span className={on ? 'tick on' : 'tick'} />
    </button>
  );
}
