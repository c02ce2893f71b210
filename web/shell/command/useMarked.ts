import { useRef, useState } from 'react';

const ARROWS = ['ArrowDown', 'ArrowUp', 'Home', 'End'];

/**
 * What Enter would press: the best of what is there by now, also of a list that came later, until somebody moves the mark
 * by hand; typing on begins anew.
 */
export function useMarked(typed: string, best: string | undefined) {
  // The library marks its first entry by itself as well: only what was moved by hand counts.
  const byHandRef = useRef(false);
  const [moved, setMoved] = useState({ typed: '', to: '' });
  return {
    value: moved.to !== '' && moved.typed === typed ? moved.to : (best ?? ''),
    onValueChange: (to: string) => {
      if (byHandRef.current) setMoved({ typed, to });
    },
    onKeyDownCapture: ({ key }: React.KeyboardEvent) => {
      byHandRef.current = ARROWS.includes(key);
    },
    onPointerMoveCapture: () => {
      byHandRef.current = true;
    },
  };
}
