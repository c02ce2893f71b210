import type { ChannelKeywords } from '@opsimath/contract/api/targets';
import { key } from '@opsimath/core/text/key';
import type { Database } from '../data/storage/connection';
import { listTargets } from '../data/targets';

/** Keywords by channel, those that most channels set first. */
export async function compareChannels(database: Database, projectId: number): Promise<ChannelKeywords> {
  const channels = (await listTargets(database, projectId)).filter(({ kind }) => kind === 'channel');
  const rows = new Map<string, { text: string; channels: boolean[] }>();
  channels.forEach(({ record }, c) => {
    for (const text of (record?.fields.keywords ?? '').split('\n')) {
      const identity = key(text);
      if (identity === '') continue;
      const row = rows.get(identity) ?? { text: text.trim(), channels: channels.map(() => false) };
      row.channels[c] = true;
      rows.set(identity, row);
    }
  });
  return {
    channels: channels.map(({ address, name, side }) => ({ address, name, side })),
    rows: [...rows.values()]
      .map((row) => ({ ...row, count: row.channels.filter(Boolean).length }))
      .sort((a, b) => b.count - a.count || (a.text < b.text ? -1 : 1)),
  };
}
