import type { LookUp } from '@opsimath/contract/api/lookUps';
import type { SiftRow } from '@opsimath/contract/api/sift';
import type { Language } from '@opsimath/contract/api/variants';
import { useEffect, useRef } from 'react';
import { useTranslateMutation } from '../../state/variantsApi';

/** Fetches what the rows on the screen say in a language, as far as it is not held; each is asked for once. */
export function useTranslations(lookUp: LookUp, rows: readonly SiftRow[], into: Language | null): unknown {
  const [translate, { error }] = useTranslateMutation();
  const asked = useRef(new Set<string>());
  useEffect(() => {
    if (into === null) return;
    const wanted = rows.flatMap(({ id, language, translation }) =>
      language && language.code !== into && translation === null && !asked.current.has(`${into}${id}`)
        ? [{ keyword: id, from: language.code }]
        : [],
    );
    if (wanted.length === 0) return;
    for (const { keyword } of wanted) asked.current.add(`${into}${keyword}`);
    void translate({ lookUp: lookUp.id, ask: { into, keywords: wanted } });
  }, [lookUp.id, rows, into, translate]);
  return error;
}
