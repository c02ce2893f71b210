import { readFileSync } from 'node:fs';

/** What a process holds in memory, in MB: at most so far. */
export function peakMemory(pid: number): number {
  const status = readFileSync(`/proc/${pid}/status`, 'utf8');
  return Number(/VmHWM:\s+(\d+)/.exec(status)![1]) / 1024;
}
