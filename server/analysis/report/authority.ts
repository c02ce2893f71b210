import { authoritySlope, domainsRatio } from '@opsimath/core/links/authority';
import { say } from '@opsimath/core/report/passages';
import { knownParents, listTargets } from '../../data/targets';
import { type WriteSection, nothingToSay } from './ground';

/** Links of every side, and what a difference in authority means: the scale is logarithmic. */
export const authority: WriteSection = async ({ workspace, projectId, comparison, figures }, { id }) => {
  const known = await knownParents(workspace.database);
  const slope = authoritySlope(known);
  const targets = (await listTargets(workspace.database, projectId)).filter(
    ({ surface }) => surface === comparison.market.surface,
  );
  const parents = new Map<
    string,
    { name: string; side: string; authority: number; domains: number | null }
  >();
  for (const { address, parent, name, side, record } of targets) {
    const of = parent ?? address;
    const found = known.find((one) => one.address === of);
    // A page, video or listing has the links of what it belongs to.
    const figures = parent === null ? (record?.figures ?? found) : (found ?? record?.figures);
    const value = figures?.authority;
    if (parents.has(of) || typeof value !== 'number') continue;
    const domains = figures?.referringDomains ?? null;
    const called = parent === null ? name : (record?.owner ?? name);
    parents.set(of, { name: called, side, authority: value, domains });
  }
  if (parents.size === 0) return nothingToSay('No figures of links are held for these targets.');
  const rows = [...parents].map(([address, entry]) => ({ address, ...entry }));
  const own = rows.find(({ side }) => side === 'own');
  const best = rows.filter((row) => row !== own).sort((a, b) => b.authority - a.authority)[0];
  const table = `links-${id}`;
  const times = (row: (typeof rows)[number]): number | null =>
    own === undefined || slope === null ? null : domainsRatio(slope, row.authority - own.authority);
  const told = (key: string, kind: 'count' | 'decimal', value: number | null, row: string, from: string) =>
    figures.of(`${id}.${key}`, kind, value, `${table}:${row}`, from);
  return {
    short:
      own && best
        ? [
            say`${own.name} has an authority of ${told('own', 'count', own.authority, own.address, `authority of ${own.name}`)}, ${best.name} one of ${told('best', 'count', best.authority, best.address, `authority of ${best.name}`)}.`,
            ...(slope === null
              ? []
              : [
                  say`The scale is logarithmic: the difference stands for about ${told('times', 'decimal', times(best), best.address, 'times the referring domains')} times as many referring domains, not for a few more.`,
                ]),
          ]
        : [],
    blocks: [
      {
        kind: 'table',
        id: table,
        title: 'Authority and referring domains',
        columns: [
          { key: 'name', name: 'Side', kind: 'text' },
          {
            key: 'authority',
            name: 'Authority',
            kind: 'count',
            tip: '0 to 100, logarithmic. As the services say.',
          },
          { key: 'domains', name: 'Referring domains', kind: 'count' },
          {
            key: 'times',
            name: 'Domains against ours, times',
            kind: 'decimal',
            tip: 'What the difference in authority stands for, by all parents known.',
          },
        ],
        rows: rows.map((row) => ({
          key: row.address,
          cells: [row.name, row.authority, row.domains, times(row)],
        })),
        caption: `Each step of authority takes many times the links; by ${known.length} parents known.`,
        empty: 'None.',
      },
    ],
  };
};
