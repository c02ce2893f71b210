import type { Draft } from '@opsimath/contract/api/drafts';
import {
  type DraftCoverage,
  type DraftKeyword,
  draftCoverage,
  draftKeyword,
} from '@opsimath/core/copy/draftCoverage';
import type { HeldField } from '@opsimath/core/copy/heldFields';
import { useMemo } from 'react';
import { heldOnce } from './heldOnce';

export interface DraftFacts {
  fields: readonly HeldField[];
  keywords: readonly DraftKeyword[];
  coverage: DraftCoverage;
}

/** What the copy holds: only the field that was changed is read anew. */
export function useDraftFacts({ fields, keywords, language }: Draft): DraftFacts {
  const wanted = useMemo(
    () => keywords.map(({ key, volume }) => draftKeyword(key, volume ?? 0, language)),
    [keywords, language],
  );
  return useMemo(() => {
    const held = Object.entries(fields).map(([name, text]) => heldOnce(name, text, language));
    return { fields: held, keywords: wanted, coverage: draftCoverage(held, wanted, language) };
  }, [fields, wanted, language]);
}
