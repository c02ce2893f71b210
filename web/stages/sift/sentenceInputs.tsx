import { Input, Select } from 'antd';
import { useEffect, useRef, useState } from 'react';
import { t } from '../../words/t';

/** So long nothing is typed before a figure counts. */
const REST_MS = 400;

interface Option<T extends string> {
  value: T;
  label: string;
}

/** A word of a sentence that is one of several. */
export function Choice<T extends string>({
  name,
  value,
  options,
  onChange,
}: {
  name: string;
  value: T;
  options: readonly Option<T>[];
  onChange: (value: T) => void;
}) {
  return (
    <Select
      className="in-sentence"
      size="small"
      variant="borderless"
      aria-label={name}
      popupMatchSelectWidth={false}
      value={value === '' ? undefined : value}
      placeholder={name.toLowerCase()}
      options={[...options]}
      onChange={onChange}
    />
  );
}

/** A word of a sentence that may be several at once. */
export function Several<T extends string>({
  name,
  values,
  options,
  onChange,
}: {
  name: string;
  values: readonly T[];
  options: readonly Option<T>[];
  onChange: (values: T[]) => void;
}) {
  return (
    <Select
      className="in-sentence several"
      size="small"
      variant="borderless"
      mode="multiple"
      aria-label={name}
      placeholder={t('sift:sentenceInputs.choose')}
      popupMatchSelectWidth={false}
      value={[...values]}
      options={[...options]}
      onChange={onChange}
    />
  );
}

/** Text of a sentence. It counts when it is left or Enter is pressed. */
export function LineInput({
  name,
  value,
  onChange,
}: {
  name: string;
  value: string;
  onChange: (value: string) => void;
}) {
  const [typed, setTyped] = useState<string | null>(null);
  const done = (): void => {
    if (typed !== null && typed !== value) onChange(typed);
    setTyped(null);
  };
  return (
    <Input
      className="in-sentence line"
      size="small"
      variant="borderless"
      aria-label={name}
      placeholder={t('sift:sentenceInputs.words')}
      maxLength={2000}
      value={typed ?? value}
      onChange={(event) => setTyped(event.target.value)}
      onBlur={done}
      onPressEnter={done}
    />
  );
}

/** A figure of a sentence; empty is no limit. What is no figure is not taken. */
export function NumberInput({
  name,
  value,
  onChange,
}: {
  name: string;
  value: number | null;
  onChange: (value: number | null) => void;
}) {
  const [typed, setTyped] = useState<string | null>(null);
  const take = (text: string): void => {
    const figure = readFigure(text);
    if (figure !== undefined && figure !== value) onChange(figure);
  };
  const apply = useRef(take);
  useEffect(() => {
    apply.current = take;
  });
  // It counts while it is typed, once the typing rests.
  useEffect(() => {
    if (typed === null) return;
    const timer = setTimeout(() => apply.current(typed), REST_MS);
    return () => clearTimeout(timer);
  }, [typed]);
  const done = (): void => {
    if (typed !== null) take(typed);
    setTyped(null);
  };
  return (
    <Input
      className="in-sentence number"
      size="small"
      variant="borderless"
      inputMode="decimal"
      aria-label={name}
      placeholder={t('sift:sentenceInputs.any')}
      maxLength={16}
      value={typed ?? (value === null ? '' : String(value))}
      onChange={(event) => setTyped(event.target.value)}
      onBlur={done}
      onPressEnter={done}
    />
  );
}

/** What was typed as a figure; empty is no limit, `undefined` is none at all. */
function readFigure(typed: string): number | null | undefined {
  const text = typed.trim().replace(/[,\s](?=\d{3}\b)/g, '');
  if (text === '') return null;
  const figure = Number(text.replace(',', '.'));
  return Number.isFinite(figure) && figure >= 0 ? figure : undefined;
}
