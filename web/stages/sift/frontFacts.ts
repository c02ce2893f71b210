import type { ShownPage } from '@opsimath/contract/api/dossier';
import type { PageKind } from '@opsimath/core/text/pageKind';
import { quartiles } from '@opsimath/core/ranking/statistics';
import { t } from '../../words/t';

type Slot = ShownPage['slots'][number];

/** The front in a few words: kinds of pages, price, rating, age, views, length; each as lowest to highest quarter. */
export function frontFacts(
  front: readonly Slot[],
  { kindOf, currency, surface }: { kindOf: (address: string) => PageKind; currency: string; surface: string },
): { name: string; value: string }[] {
  const facts: { name: string; value: string }[] = [];
  const kinds = new Map<string, number>();
  for (const { address } of front) {
    if (surface !== 'web' || !address) continue;
    const kind = kindOf(address);
    if (kind !== 'unknown') kinds.set(kind, (kinds.get(kind) ?? 0) + 1);
  }
  if (kinds.size > 0)
    facts.push({
      name: t('sift:frontFacts.kinds'),
      value: [...kinds]
        .sort((a, b) => b[1] - a[1])
        .map(([kind, count]) => `${kind} ${count}`)
        .join(', '),
    });
  const range = (
    name: string,
    values: (number | null | undefined)[],
    said: (value: number) => string,
  ): void => {
    const known = values.filter((value): value is number => typeof value === 'number');
    if (known.length === 0) return;
    const [low, middle, high] = quartiles(known)!;
    facts.push({
      name,
      value:
        known.length === 1 || said(low) === said(high)
          ? said(middle)
          : t('sift:frontFacts.lowToHighHalfAtMiddle', {
              low: said(low),
              high: said(high),
              middle: said(middle),
            }),
    });
  };
  const figure = (name: string): (number | undefined)[] => front.map(({ figures }) => figures[name]);
  range(t('sift:frontFacts.priceCurrency', { currency }), figure('price'), (value) => value.toFixed(0));
  range(t('sift:frontFacts.rating'), figure('rating'), (value) => value.toFixed(1));
  range(t('sift:frontFacts.reviews'), figure('reviews'), (value) => String(Math.round(value)));
  range(t('sift:frontFacts.length'), figure('length'), (value) =>
    t('sift:frontFacts.roundMin', { round: Math.round(value / 60) }),
  );
  range(
    t('sift:frontFacts.viewsADay'),
    front.map(({ figures, age }) => (figures.views === undefined || !age ? null : figures.views / age)),
    (value) => String(Math.round(value)),
  );
  range(
    t('sift:frontFacts.age'),
    front.map(({ age }) => age),
    (days) => (days < 365 ? months(days) : t('sift:frontFacts.daysYears', { days: (days / 365).toFixed(1) })),
  );
  return facts;
}

function months(days: number): string {
  const count = Math.round(days / 30.4);
  return count === 1
    ? t('sift:frontFacts.n1Month')
    : t('sift:frontFacts.countShownMonths', { countShown: count });
}
