import './tick.css';

/** Whether a row is in the tray; the keyboard uses Space on the row instead. */
export function Tick({ on, text, onPress }: { on: boolean; text: string; onPress: () => void }) {
  return (
    <button
      className="plain"
      tabIndex={-1}
      role="checkbox"
      aria-checked={on}
      aria-label={`${text} in the tray`}
      onClick={(event) => {
        event.stopPropagation();
        onPress();
      }}
    >
      <span className={on ? 'tick on' : 'tick'} />
    </button>
  );
}
