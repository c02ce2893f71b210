import { type ComponentProps, useLayoutEffect, useRef, useState } from 'react';

interface PaperTextProps extends Omit<ComponentProps<'textarea'>, 'value' | 'defaultValue' | 'onChange'> {
  text: string;
  onText: (text: string) => void;
}

/**
 * A field to write in. What is typed is never set again, only what came from elsewhere: setting a long text anew at every key
 * lays all of it out again.
 */
export function PaperText({ text, onText, ...rest }: PaperTextProps) {
  const area = useRef<HTMLTextAreaElement>(null);
  const [first] = useState(text);
  const shown = useRef(text);
  useLayoutEffect(() => {
    if (shown.current === text || !area.current) return;
    shown.current = text;
    area.current.value = text;
  }, [text]);
  return (
    <textarea
      {...rest}
      ref={area}
      defaultValue={first}
      onChange={({ target }) => {
        shown.current = target.value;
        onText(target.value);
      }}
    />
  );
}
