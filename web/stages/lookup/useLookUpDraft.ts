import type { LookUpOrder, SeedWay } from '@opsimath/contract/api/lookUps';
import type { Target } from '@opsimath/contract/api/targets';
import type { SourceMarket, Surface } from '@opsimath/contract/source/answers';
import { readSeeds } from '@opsimath/core/text/seeds';
import { useEffect, useMemo, useState } from 'react';
import { marketName } from '../../parts/words/marketName';
import { comparedWith } from '../../state/scope';
import { useScope } from '../../state/useScope';
import { type Pasted, platformsOf, readPaste } from './readPaste';

/** What the form holds; kept through a reload, by project. */
export interface LookUpDraft {
  /** Targets of the roster that are left out. */
  left: number[];
  pasted: string;
  seeds: string;
  ways: SeedWay[];
  words: ('tags' | 'phrases of the target' | 'channel keywords')[];
  list: string;
  /** The list as it was combined of words; once it is edited it is a list like any other. */
  combined: string;
  want: 'organic' | 'paid' | 'both';
  extent: 'positions' | 'metrics' | 'captures';
  captureMost: number;
  depth: number;
  leastVolume: number;
  /** Markets beside the one in the scope bar. */
  markets: string[];
}
const EMPTY: LookUpDraft = {
  left: [],
  pasted: '',
  seeds: '',
  ways: ['suggestions', 'phrase'],
  words: [],
  list: '',
  combined: '',
  want: 'both',
  extent: 'metrics',
  captureMost: 1000,
  depth: 100,
  leastVolume: 0,
  markets: [],
};
const PLACE = 'opsimath.look-up-draft';

export type LookUpPart = 'targets' | 'seeds' | 'list';

/** The look-up as it is being put together: the draft, how it is read, and one order for each market. */
export function useLookUpDraft(
  part: LookUpPart,
  targets: readonly Target[],
  markets: readonly SourceMarket[],
) {
  const { project, scope } = useScope();
  const [draft, setDraft] = useState<LookUpDraft>(() => remembered(project));
  useEffect(() => {
    localStorage.setItem(`${PLACE}.${project}`, JSON.stringify(draft));
  }, [project, draft]);
  const change = (next: Partial<LookUpDraft>): void => setDraft((current) => ({ ...current, ...next }));
  const platforms = useMemo(() => platformsOf(markets), [markets]);
  const pasted = useMemo(() => readPaste(draft.pasted, platforms), [draft.pasted, platforms]);
  const chosenMarkets = [scope.market, ...draft.markets.filter((code) => code !== scope.market)];
  const compare = comparedWith(scope);
  const orders = chosenMarkets.flatMap((code): LookUpOrder[] => {
    const market = markets.find((entry) => entry.code === code);
    if (!market) return [];
    const order = orderFor(part, market, draft, targets, pasted, scope.date);
    if (order === null) return [];
    return [{ ...order, compareDate: draft.extent === 'captures' && compare ? compare : null }];
  });
  return { draft, change, pasted, orders, clear: () => change({ pasted: '', seeds: '', list: '' }) };
}

/** Targets go to the markets of their surface; a market with nothing to look up has no order. */
function orderFor(
  part: LookUpPart,
  market: SourceMarket,
  draft: LookUpDraft,
  targets: readonly Target[],
  pasted: Pasted,
  date: string,
): LookUpOrder | null {
  const { extent, captureMost, want, depth, leastVolume } = draft;
  const common = { market: market.code, date, extent, captureMost, want, depth, leastVolume };
  if (part === 'targets') {
    const chosen = addressesOn(market.surface, draft, targets, pasted);
    return chosen.length === 0 ? null : { ...common, targets: chosen, words: draft.words };
  }
  if (part === 'seeds') {
    const seeds = readSeeds([draft.seeds]);
    return seeds.length === 0 ? null : { ...common, seeds, ways: draft.ways };
  }
  const keywords = draft.list.split(/[\n\r]+/).flatMap((line) => line.trim() || []);
  return keywords.length === 0
    ? null
    : { ...common, keywords, combined: draft.combined !== '' && draft.combined === draft.list };
}

function addressesOn(
  surface: Surface,
  { left }: LookUpDraft,
  targets: readonly Target[],
  pasted: Pasted,
): string[] {
  const chosen = [
    ...targets.filter((target) => target.surface === surface && !left.includes(target.id)),
    ...pasted.targets.filter((target) => target.surface === surface),
  ];
  return [...new Set(chosen.map(({ address }) => address))];
}

function remembered(project: number): LookUpDraft {
  try {
    const kept = JSON.parse(localStorage.getItem(`${PLACE}.${project}`) ?? '{}') as Partial<LookUpDraft>;
    return { ...EMPTY, ...kept };
  } catch {
    return EMPTY;
  }
}

/** "Web · United States · English" of a code. */
export function nameOfMarket(markets: readonly SourceMarket[], code: string): string {
  const market = markets.find((entry) => entry.code === code);
  return market ? marketName(market) : code;
}
