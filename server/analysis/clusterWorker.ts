import { parentPort, workerData } from 'node:worker_threads';
import { clusterKeywords } from '@opsimath/core/sift/clusters';

export interface ClusterTask {
  /** Ten places a keyword. */
  first: Int32Array;
  keys: string[];
  language: string;
}

const { first, keys, language } = workerData as ClusterTask;
parentPort!.postMessage(clusterKeywords(first, keys, language));
