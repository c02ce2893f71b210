import './filterToggle.css';
import { Tip } from './Tip';
import { count } from './figures';

interface FilterToggleProps {
  name: string;
  tip: string;
  /** Section of the method that defines it. */
  section?: string;
  count: number | undefined;
  on: boolean;
  onPress: () => void;
}

/** One choice of a filter with how many there would be. */
export function FilterToggle({ name, tip, section, count: many, on, onPress }: FilterToggleProps) {
  return (
    <Tip text={tip} section={section}>
      <button className="plain mark" aria-pressed={on} onClick={onPress}>
        {name} <span className="faint">{many === undefined ? '…' : count(many)}</span>
      </button>
    </Tip>
  );
}

export function toggled<T>(list: readonly T[], item: T): T[] {
  return list.includes(item) ? list.filter((other) => other !== item) : [...list, item];
}
