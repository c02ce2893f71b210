import type { ReportTemplate, SectionKind } from '@opsimath/contract/api/reports';
import { t } from '../../words/t';

/** What each kind of section is called, and what stands in it. */
export const SECTION_WORDS: Record<SectionKind, { name: string; what: string }> = {
  summary: {
    name: t('report:sectionWords.inShort'),
    what: t('report:sectionWords.theConclusionOfEverySectionIn'),
  },
  note: { name: t('report:sectionWords.aNoteForTheReader'), what: t('report:sectionWords.yourOwnWords') },
  first: {
    name: t('report:sectionWords.whatToDoFirst'),
    what: t('report:sectionWords.piecesOfWorkWithLaneReason'),
  },
  examples: {
    name: t('report:sectionWords.threeExamples'),
    what: t('report:sectionWords.keywordsThatTellTheWhole'),
  },
  standing: {
    name: t('report:sectionWords.howEverybodyStands'),
    what: t('report:sectionWords.visibilityDepthPaidKeywords'),
  },
  kinds: {
    name: t('report:sectionWords.gapsByKind'),
    what: t('report:sectionWords.absentBuriedTrailingAndTheRest'),
  },
  gaps: { name: t('report:sectionWords.theGaps'), what: t('report:sectionWords.oneRowAKeywordOfA') },
  paid: {
    name: t('report:sectionWords.paidAgainstOrganic'),
    what: t('report:sectionWords.countsWhatRivalsBuyWhatIs'),
  },
  movers: { name: t('report:sectionWords.whatMoved'), what: t('report:sectionWords.upAndDownBetweenTheTwo') },
  course: {
    name: t('report:sectionWords.aCurveOverTime'),
    what: t('report:sectionWords.trackedKeywordsWithChangesAsMarks'),
  },
  effects: {
    name: t('report:sectionWords.changesAndEffects'),
    what: t('report:sectionWords.whatEachChangeDid'),
  },
  round: {
    name: t('report:sectionWords.aRound'),
    what: t('report:sectionWords.whatWasDonePositionsBeforeAnd'),
  },
  months: {
    name: t('report:sectionWords.monthAgainstMonth'),
    what: t('report:sectionWords.ownSearchPerformance'),
  },
  holds: {
    name: t('report:sectionWords.whatItRanksFor'),
    what: t('report:sectionWords.countsByDepthAndTheBest'),
  },
  near: {
    name: t('report:sectionWords.withinReach'),
    what: t('report:sectionWords.positions11To50WithTheir'),
  },
  titles: {
    name: t('report:sectionWords.titlesAndRoom'),
    what: t('report:sectionWords.weakTitlesRoomUnusedEmptyFields'),
  },
  words: {
    name: t('report:sectionWords.wordsThatItLacks'),
    what: t('report:sectionWords.neededByKeywordsOfOthers'),
  },
  blocks: {
    name: t('report:sectionWords.blocksThatOthersHold'),
    what: t('report:sectionWords.withTheirPositionAndOurs'),
  },
  authority: {
    name: t('report:sectionWords.links'),
    what: t('report:sectionWords.authorityAndWhatTheScaleMeans'),
  },
  glossary: { name: t('report:sectionWords.wordsUsed'), what: t('report:sectionWords.whatEachWordMeans') },
  quality: {
    name: t('report:sectionWords.whatThisRestsOn'),
    what: t('report:sectionWords.sourcesDatesWhatIsEstimated'),
  },
};

export const TEMPLATE_WORDS: Record<Exclude<ReportTemplate, 'audit'>, { name: string; what: string }> = {
  gaps: {
    name: t('report:sectionWords.gapReport'),
    what: t('report:sectionWords.whatToDoFirstThreeExamples'),
  },
  round: {
    name: t('report:sectionWords.reportOnARound'),
    what: t('report:sectionWords.whatWasDoneWhereItsKeywords'),
  },
  months: {
    name: t('report:sectionWords.aMonthAgainstTheMonthBefore'),
    what: t('report:sectionWords.ownSearchPerformanceWhatMovedWhat'),
  },
  empty: {
    name: t('report:sectionWords.anEmptyReport'),
    what: t('report:sectionWords.chooseEverySectionYourself'),
  },
};
