import type { Sieve } from '@opsimath/contract/api/sift';
import type { SieveFigure } from '@opsimath/core/sift/sieve';

/** Sieves that can be added, by the words of the menu, each as it begins: open, so that it hides nothing yet. */
export const NEW_SIEVES: { name: string; sieve: Sieve }[] = [
  { name: 'words it holds', sieve: { kind: 'words', mode: 'any word', text: '', out: false } },
  { name: 'words it leaves out', sieve: { kind: 'words', mode: 'any word', text: '', out: true } },
  { name: 'volume', sieve: figure('volume') },
  { name: 'word count', sieve: figure('word count') },
  { name: 'CPC', sieve: figure('CPC') },
  { name: 'ad competition', sieve: figure('ad competition') },
  { name: 'difficulty', sieve: figure('difficulty') },
  {
    name: 'position of a target',
    sieve: { kind: 'position', target: '', least: null, most: null, unknown: false },
  },
  { name: 'how many targets rank', sieve: { kind: 'ranked by', atLeast: 1, within: 100 } },
  { name: 'how it was found', sieve: { kind: 'found', ways: [] } },
  { name: 'language', sieve: { kind: 'language', languages: [], unknown: true } },
  { name: 'purpose', sieve: { kind: 'purpose', purposes: [] } },
  { name: 'one of each group of variants', sieve: { kind: 'main variants' } },
  { name: 'words not to be used', sieve: { kind: 'banned words', level: 'any', out: true } },
  { name: 'imported difficulty', sieve: figure('imported difficulty') },
  { name: 'appearances', sieve: figure('appearances') },
  { name: 'exact rivals', sieve: figure('exact rivals') },
  { name: 'rivals that cover it', sieve: figure('rivals that cover it') },
  { name: 'nearness to our target', sieve: { ...figure('nearness'), least: 0.15 } },
  { name: 'grain', sieve: figure('grain') },
  { name: 'contained in longer ones', sieve: figure('contained in') },
  { name: 'trend', sieve: { kind: 'trend', trends: [], unknown: false } },
  { name: 'verdict', sieve: { kind: 'verdict', verdicts: [] } },
  { name: 'reason', sieve: { kind: 'reason', reasons: [], out: false } },
  { name: 'position seen by hand', sieve: { kind: 'seen by hand', out: null } },
  { name: 'own queries', sieve: { kind: 'own queries', groups: [], out: false } },
  { name: 'a list', sieve: { kind: 'list', list: 0, out: false } },
  { name: 'a marker', sieve: { kind: 'marker', marker: 0, out: false } },
];

function figure(name: SieveFigure): Extract<Sieve, { kind: 'figure' }> {
  return { kind: 'figure', figure: name, least: null, most: null, unknown: true };
}
