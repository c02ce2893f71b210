import { Input } from 'antd';
import { sign } from '../../state/preferences';
import { useAppDispatch, useAppSelector } from '../../state/store';

/** Whose name it is: kept in this browser, the same wherever it is asked for. */
export function PersonInput({ name, placeholder = name }: { name: string; placeholder?: string }) {
  const dispatch = useAppDispatch();
  const person = useAppSelector((state) => state.preferences.person);
  return (
    <Input
      size="small"
      aria-label={name}
      placeholder={placeholder}
      maxLength={80}
      value={person}
      onChange={(event) => dispatch(sign(event.target.value))}
    />
  );
}
