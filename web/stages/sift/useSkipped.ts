import { useState } from 'react';

/** Keywords that were skipped on the desk of a look-up, the last one last; they stay so after a reload. */
export function useSkipped(lookUp: number): [readonly number[], (next: readonly number[]) => void] {
  const place = `opsimath.desk-skipped.${lookUp}`;
  const [skipped, setSkipped] = useState<readonly number[]>(() =>
    (localStorage.getItem(place) ?? '').split(',').flatMap((id) => (/^\d+$/.test(id) ? [Number(id)] : [])),
  );
  return [
    skipped,
    (next) => {
      localStorage.setItem(place, next.join(','));
      setSkipped(next);
    },
  ];
}
