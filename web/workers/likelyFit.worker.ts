import {
  type JudgedKeyword,
  type LikelyFit,
  type SeenKeyword,
  learnLikelyFit,
  likelihoodOf,
} from '@opsimath/core/sift/likelyFit';

export interface LikelyFitTask {
  language: string;
  judged: JudgedKeyword[];
  waiting: SeenKeyword[];
}
export interface LikelyFitAnswer extends Pick<LikelyFit, 'accuracy' | 'baseline' | 'judged'> {
  /** In the order of those that wait. */
  likely: number[];
}

addEventListener('message', ({ data }: MessageEvent<LikelyFitTask>) => {
  const { language, judged, waiting } = data;
  const model = learnLikelyFit(judged, language);
  const { accuracy, baseline } = model;
  const answer: LikelyFitAnswer = {
    accuracy,
    baseline,
    judged: model.judged,
    likely: waiting.map((keyword) => likelihoodOf(model, keyword, language)),
  };
  postMessage(answer);
});
