import { useCallback, useState } from 'react';

export const PAGE_ROWS = 100;

/** Which two pages of a long list hold the rows in sight. */
export function useVisiblePages(): {
  pages: readonly [number, number];
  onVisible: (first: number, last: number) => void;
} {
  const [pages, setPages] = useState<readonly [number, number]>([0, 0]);
  const onVisible = useCallback((first: number, last: number) => {
    const next = [Math.floor(first / PAGE_ROWS), Math.floor(last / PAGE_ROWS)] as const;
    setPages((current) => (current[0] === next[0] && current[1] === next[1] ? current : next));
  }, []);
  return { pages, onVisible };
}

/** Reads a row out of the pages at hand. */
export function rowFinder<Row>(pages: readonly { page: number; rows: readonly Row[] | undefined }[]) {
  return (index: number): Row | undefined => {
    const page = Math.floor(index / PAGE_ROWS);
    return pages.find((candidate) => candidate.page === page)?.rows?.[index % PAGE_ROWS];
  };
}
