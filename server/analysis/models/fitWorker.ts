import { type EntryRows, fitEntry } from '@opsimath/core/forecast/fitEntry';
import { type FittedForecast, type ForecastRows, fitForecast } from '@opsimath/core/forecast/fitForecast';
import type { ChanceWeights } from '@opsimath/core/gap/chance';
import { type ChanceRows, type FittedChance, fitChance } from '@opsimath/core/gap/fitChance';
import type { FittedLogit } from '@opsimath/core/forecast/orderedLogit';

/** What is fitted on a thread of its own, because it takes seconds. */
export interface FitTasks {
  /** `front`: F, at which the quality is told. */
  forecast: { given: { rows: ForecastRows; front: number }; gives: FittedForecast | null };
  /** `against`: weights that the quality is compared with. */
  chance: { given: { rows: ChanceRows; against: ChanceWeights }; gives: FittedChance | null };
  entry: { given: EntryRows; gives: FittedLogit | null };
}

const tasks: { [Name in keyof FitTasks]: (given: FitTasks[Name]['given']) => FitTasks[Name]['gives'] } = {
  forecast: ({ rows, front }) => fitForecast(rows, front),
  chance: ({ rows, against }) => fitChance(rows, against),
  entry: fitEntry,
};

export default function fit<Name extends keyof FitTasks>({
  what,
  given,
}: {
  what: Name;
  given: FitTasks[Name]['given'];
}): FitTasks[Name]['gives'] {
  return tasks[what](given);
}
