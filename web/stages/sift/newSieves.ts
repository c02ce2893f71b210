import type { Sieve } from '@opsimath/contract/api/sift';

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
  { name: 'trend', sieve: { kind: 'trend', trends: [], unknown: false } },
  { name: 'verdict', sieve: { kind: 'verdict', verdicts: [] } },
  { name: 'a list', sieve: { kind: 'list', list: 0, out: false } },
];

function figure(name: 'volume' | 'word count' | 'CPC' | 'ad competition' | 'difficulty'): Sieve {
  return { kind: 'figure', figure: name, least: null, most: null, unknown: true };
}
