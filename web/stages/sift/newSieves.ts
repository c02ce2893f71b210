import type { Sieve } from '@opsimath/contract/api/sift';
import type { SieveFigure } from '@opsimath/core/sift/sieve';
import { t } from '../../words/t';

/** Sieves that can be added, by the words of the menu, each as it begins: open, so that it hides nothing yet. */
export const NEW_SIEVES: { name: string; sieve: Sieve }[] = [
  {
    name: t('sift:newSieves.wordsItHolds'),
    sieve: { kind: 'words', mode: 'any word', text: '', out: false },
  },
  {
    name: t('sift:newSieves.wordsItLeavesOut'),
    sieve: { kind: 'words', mode: 'any word', text: '', out: true },
  },
  { name: t('sift:newSieves.volume'), sieve: figure('volume') },
  { name: t('sift:newSieves.wordCount'), sieve: figure('word count') },
  { name: t('sift:newSieves.cPC'), sieve: figure('CPC') },
  { name: t('sift:newSieves.adCompetition'), sieve: figure('ad competition') },
  { name: t('sift:newSieves.difficulty'), sieve: figure('difficulty') },
  {
    name: t('sift:newSieves.positionOfATarget'),
    sieve: { kind: 'position', target: '', least: null, most: null, unknown: false },
  },
  { name: t('sift:newSieves.howManyTargetsRank'), sieve: { kind: 'ranked by', atLeast: 1, within: 100 } },
  { name: t('sift:newSieves.howItWasFound'), sieve: { kind: 'found', ways: [] } },
  { name: t('sift:newSieves.language'), sieve: { kind: 'language', languages: [], unknown: true } },
  { name: t('sift:newSieves.purpose'), sieve: { kind: 'purpose', purposes: [] } },
  { name: t('sift:newSieves.oneOfEachGroupOfVariants'), sieve: { kind: 'main variants' } },
  { name: t('sift:newSieves.wordsNotToBeUsed'), sieve: { kind: 'banned words', level: 'any', out: true } },
  { name: t('sift:newSieves.importedDifficulty'), sieve: figure('imported difficulty') },
  { name: t('sift:newSieves.appearances'), sieve: figure('appearances') },
  { name: t('sift:newSieves.exactRivals'), sieve: figure('exact rivals') },
  { name: t('sift:newSieves.rivalsThatCoverIt'), sieve: figure('rivals that cover it') },
  { name: t('sift:newSieves.nearnessToOurTarget'), sieve: { ...figure('nearness'), least: 0.15 } },
  { name: t('sift:newSieves.grain'), sieve: figure('grain') },
  { name: t('sift:newSieves.containedInLongerOnes'), sieve: figure('contained in') },
  { name: t('sift:newSieves.trend'), sieve: { kind: 'trend', trends: [], unknown: false } },
  { name: t('sift:newSieves.verdict'), sieve: { kind: 'verdict', verdicts: [] } },
  { name: t('sift:newSieves.reason'), sieve: { kind: 'reason', reasons: [], out: false } },
  { name: t('sift:newSieves.positionSeenByHand'), sieve: { kind: 'seen by hand', out: null } },
  { name: t('sift:newSieves.ownQueries'), sieve: { kind: 'own queries', groups: [], out: false } },
  { name: t('sift:newSieves.aList'), sieve: { kind: 'list', list: 0, out: false } },
  { name: t('sift:newSieves.aMarker'), sieve: { kind: 'marker', marker: 0, out: false } },
];

function figure(name: SieveFigure): Extract<Sieve, { kind: 'figure' }> {
  return { kind: 'figure', figure: name, least: null, most: null, unknown: true };
}
