import { readLimits, writeLimits } from '@opsimath/contract/api/gapLimits';
import {
  GAP_MARKS,
  GAP_SORTS,
  type GapMark,
  HELD_NAMES,
  type HeldName,
} from '@opsimath/contract/api/gapChoices';
import { ACTIONS, type Action } from '@opsimath/core/gap/action';
import { GAP_KINDS, type GapKind } from '@opsimath/core/gap/kind';
import { PAID_STATES, type PaidState } from '@opsimath/core/gap/paid';
import { DEPTH_BANDS, type DepthBand } from '@opsimath/core/ranking/position';
import { PAGE_KINDS, type PageKind } from '@opsimath/core/text/pageKind';
import { PURPOSES, type Purpose } from '@opsimath/core/sift/purpose';
import { VERDICTS, type Verdict } from '@opsimath/core/sift/sieve';
import type { AddressReader } from './address';

/** Which keywords are compared in Gaps, what narrows them, and how they are shown. */
export interface GapScope {
  pool: number | null;
  /** List that is compared instead of a pool, or those keywords that are followed. */
  list: number | null;
  only: 'tracked' | '';
  kinds: GapKind[];
  paid: PaidState[];
  marks: GapMark[];
  find: string;
  /** Rivals of which one at least is within the front, by id. */
  rivals: number[];
  bands: DepthBand[];
  /** Kinds of the page of ours that ranks. */
  pageKinds: PageKind[];
  /** Whose name the keyword holds. */
  names: HeldName[];
  /** What the search is for; of a look-up's pool. */
  purposes: Purpose[];
  verdicts: Verdict[];
  actions: Action[];
  /** Limits of figures, as the API writes them. */
  limits: string;
  inList: number | null;
  cluster: number | null;
  /** Address of the own target that ranks. */
  answering: string;
  /** Gaps in groups. */
  by: 'cluster' | 'target' | 'action' | 'page kind' | '';
  /** Close variants each on a line of its own; usually they share that of the first. */
  lines: 'apart' | '';
  /** Keywords whose variants are shown below them. */
  opened: number[];
  /** Orders of gaps: `-priority,keyword`. */
  sort: string;
  /** Columns of the gap table beside the usual ones. */
  gapColumns: string[];
  /** Keyword whose dossier is open. */
  open: number | null;
  /** Line of work that is open. */
  work: string;
}

export const USUAL_ORDER = '-priority';

export function readGaps(address: AddressReader): GapScope {
  return {
    pool: address.id('pool'),
    list: address.id('list'),
    only: address.one('only', ['tracked'], ''),
    kinds: address.several('kinds', GAP_KINDS),
    paid: address.several('paid', PAID_STATES),
    marks: address.several('marks', GAP_MARKS),
    find: address.text('find'),
    rivals: address.ids('rivals'),
    bands: address.several('bands', DEPTH_BANDS),
    pageKinds: address.several('pageKinds', PAGE_KINDS),
    names: address.several('names', HELD_NAMES),
    purposes: address.several('purposes', PURPOSES),
    verdicts: address.several('verdicts', VERDICTS),
    actions: address.several('actions', ACTIONS),
    limits: writeLimits(readLimits(address.text('limits'))),
    inList: address.id('inList'),
    cluster: address.id('cluster'),
    answering: address.text('answering'),
    by: address.one('by', ['cluster', 'target', 'action', 'page kind'], ''),
    lines: address.one('lines', ['apart'], ''),
    opened: address.ids('opened'),
    sort: readOrder(address.words('sort')),
    gapColumns: address.words('gapColumns'),
    open: address.id('open'),
    work: address.text('work'),
  };
}

/** Orders of gaps that are known; the usual one without any. */
function readOrder(parts: readonly string[]): string {
  const known = parts.filter((part) => (GAP_SORTS as readonly string[]).includes(part.replace(/^-/, '')));
  return known.length > 0 ? known.join(',') : USUAL_ORDER;
}
