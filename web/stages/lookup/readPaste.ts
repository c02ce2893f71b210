import type { SourceMarket } from '@opsimath/contract/source/answers';
import { type Address, type AddressPlatform, readAddress } from '@opsimath/core/text/address';

/** What was pasted, line by line: the same target twice is one. */
export interface Pasted {
  targets: Address[];
  problems: { line: number; text: string; reason: string }[];
  repeats: number;
}

/** How the targets of each platform are addressed, from the markets. */
export function platformsOf(markets: readonly SourceMarket[]): AddressPlatform[] {
  const byHost = new Map<string, AddressPlatform>();
  for (const { surface, platform } of markets)
    if (platform) byHost.set(platform.host, { surface, ...platform });
  return [...byHost.values()];
}

/** Reads any mixture of addresses and ids, one a line. Blank lines are passed over. */
export function readPaste(text: string, platforms: readonly AddressPlatform[]): Pasted {
  const targets = new Map<string, Address>();
  const problems: Pasted['problems'] = [];
  let repeats = 0;
  text.split(/\r\n|[\r\n]/).forEach((line, i) => {
    if (line.trim() === '') return;
    const read = readAddress(line, platforms);
    if ('reason' in read) problems.push({ line: i + 1, text: line.trim().slice(0, 60), reason: read.reason });
    // Capitals alone make no second target.
    else if (targets.has(read.address.toLowerCase())) repeats++;
    else targets.set(read.address.toLowerCase(), read);
  });
  return { targets: [...targets.values()], problems, repeats };
}
