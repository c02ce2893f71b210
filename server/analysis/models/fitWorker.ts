import { type EntryRows, fitEntry } from '@opsimath/core/forecast/fitEntry';
import { type FittedForecast, type ForecastRows, fitForecast } from '@opsimath/core/forecast/fitForecast';
import type { FittedLogit } from '@opsimath/core/forecast/orderedLogit';

/** What is fitted on a thread of its own, because it takes seconds. */
export interface FitTasks {
  /** `front`: F, at which the quality is told. */
  forecast: { given: { rows: ForecastRows; front: number }; gives: FittedForecast | null };
  entry: { given: EntryRows; gives: FittedLogit | null };
}

const tasks: { [Name in keyof FitTasks]: (given: FitTasks[Name]['given']) => FitTasks[Name]['gives'] } = {
  forecast: ({ rows, front }) => fitForecast(rows, front),
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
