import { Input, type InputRef } from 'antd';
import { useEffect, useRef, useState } from 'react';
import { useKeys } from '../keys/useKeys';
import { t } from '../../words/t';

const FIND_DELAY_MS = 180;

interface FindBoxProps {
  value: string;
  onFind: (find: string) => void;
  name?: string;
  width?: number;
}

/** Finds keywords while typing; everything else that is chosen stays as it is. */
export function FindBox({
  value,
  onFind,
  name = t('parts:FindBox.findAKeyword'),
  width = 210,
}: FindBoxProps) {
  const [typed, setTyped] = useState(value);
  const [sent, setSent] = useState(value);
  const [known, setKnown] = useState(value);
  if (known !== value) {
    // What arrives from elsewhere (a link, Show all) goes into the box; what it sent itself does not overtake the hand.
    setKnown(value);
    if (value !== sent) setTyped(value);
    setSent(value);
  }
  const box = useRef<InputRef>(null);
  useKeys('/', () => box.current?.focus());
  useEffect(() => {
    if (typed === value) return;
    const timer = setTimeout(() => {
      setSent(typed);
      onFind(typed);
    }, FIND_DELAY_MS);
    return () => clearTimeout(timer);
  }, [typed, value, onFind]);
  return (
    <Input
      ref={box}
      allowClear
      aria-label={name}
      placeholder={`${name}  /`}
      value={typed}
      maxLength={300}
      style={{ width }}
      onChange={(event) => setTyped(event.target.value)}
    />
  );
}
