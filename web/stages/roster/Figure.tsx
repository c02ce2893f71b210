import { InputNumber } from 'antd';

interface FigureProps {
  value: number | null;
  min: number;
  max: number;
  whole?: boolean;
  onChange: (value: number) => void;
  /** Where nothing may be set. */
  onEmpty?: () => void;
}

/** A figure that is taken over when it is left or Enter is pressed, not at every key. */
export function Figure({ value, min, max, whole, onChange, onEmpty }: FigureProps) {
  const take = (text: string): void => {
    const next = Number(text);
    if (text.trim() === '' && value !== null && onEmpty) return onEmpty();
    if (text.trim() === '' || !Number.isFinite(next) || next === value) return;
    onChange(Math.min(max, Math.max(min, whole ? Math.round(next) : next)));
  };
  return (
    <InputNumber<number>
      key={value}
      size="small"
      {...(value !== null && { defaultValue: value })}
      min={min}
      max={max}
      step={whole ? 1 : 0.05}
      style={{ width: 80 }}
      onBlur={(event) => take(event.target.value)}
      onPressEnter={(event) => take((event.target as HTMLInputElement).value)}
    />
  );
}
