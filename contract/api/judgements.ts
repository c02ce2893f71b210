import { VERDICTS } from '@opsimath/core/sift/sieve';
import { z } from 'zod';

export const verdict = z.enum(VERDICTS);
export type { Verdict } from '@opsimath/core/sift/sieve';

/** A judgement of one keyword; unjudged takes it back. */
export const judgement = z.object({
  keyword: z.int(),
  verdict,
  parked: z.boolean().default(false),
  reason: z.string().trim().max(500).default(''),
});
export type Judgement = z.input<typeof judgement>;
/** Names one step of judging: sent twice it counts once, and it can be taken back by this name. */
export const stepId = z.string().min(8).max(60);
export const judgements = z.object({
  id: stepId.optional(),
  changes: z.array(judgement).min(1).max(100_000),
  person: z.string().trim().max(80).default(''),
});
/** Steps of judging in the order in which they were given: verdicts, or another step taken back. */
export const judgementSteps = z.object({
  steps: z
    .array(
      z.union([
        judgements.extend({ id: stepId }),
        z.object({ id: stepId, takesBack: stepId, person: z.string().trim().max(80).default('') }),
      ]),
    )
    .min(1)
    .max(500),
});
export type JudgementStep = z.input<typeof judgementSteps>['steps'][number];
export const keptJudgement = z.object({
  keyword: z.int(),
  verdict,
  parked: z.boolean(),
  reason: z.string(),
  person: z.string(),
  decidedAt: z.string(),
});
export type KeptJudgement = z.infer<typeof keptJudgement>;
/** What stood before, so that it can be taken back, and what stands now. */
export const judgementsAnswer = z.object({
  id: stepId,
  before: z.array(keptJudgement),
  after: z.array(keptJudgement),
  /** Keywords left as they are, because somebody has judged them anew since the step that is taken back. */
  newer: z.int(),
});
export type JudgementsAnswer = z.infer<typeof judgementsAnswer>;
export const judgementStepsAnswer = z.object({
  steps: z.array(
    z.union([
      judgementsAnswer,
      /** A step that cannot be done at all: what it is about is gone. */
      z.object({ id: stepId, problem: z.string() }),
    ]),
  ),
});
export type JudgementStepsAnswer = z.infer<typeof judgementStepsAnswer>;
