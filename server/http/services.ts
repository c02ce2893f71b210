import type { Analysis } from '../analysis/thread/analysis';
import type { Database } from '../data/storage/connection';
import type { SearchSource } from '../sources/searchSource';
import type { Changes } from './changes';
import type { People } from '../work/people';
import type { ReportFiles } from '../reports/reportFiles';
import type { JobRunner } from '../work/jobRunner';

/** What the resources have to hand. */
export interface Services {
  database: Database;
  source: SearchSource;
  jobs: JobRunner;
  analysis: Analysis;
  filesFolder: string;
  changes: Changes;
  reportFiles: ReportFiles;
  /** Whoever waits for an answer: long work makes way. */
  people: People;
}
