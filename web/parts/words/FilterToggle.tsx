import './filterToggle.css';
import { count } from './figures';

interface FilterToggleProps {
  name: string;
  tip: string;
  count: number | undefined;
  on: boolean;
  onPress: () => void;
}

/** One choice of a filter with how many there would be. */
export function FilterToggle({ name, tip, count: many, on, onPress }: FilterToggleProps) {
  return (
    <button className="plain mark" aria-pressed={on} title={tip} onClick={onPress}>
      {name} <span className="faint">{many === undefined ? '…' : count(many)}</span>
    </button>
  );
}

export function toggled<T>(list: readonly T[], item: T): T[] {
  return list.includes(item) ? list.filter((other) => other !== item) : [...list, item];
}
