import type { GapQuery } from '@opsimath/contract/api/gapQuery';
import { Button, Dropdown } from 'antd';
import { useAppSelector } from '../../state/store';
import { useScope } from '../../state/useScope';
import { FORMATS, exportAddress } from '../../parts/act/exportAddress';

/** More ids than an address should carry. */
const MOST_CHOSEN = 1500;
const NOTHING: { id: number; text: string }[] = [];

/** What is shown, or what was put into the tray, as a file. */
export function ExportMenu({ query, total }: { query: GapQuery; total: number | undefined }) {
  const { project, comparison } = useScope();
  const tray = useAppSelector((state) => state.tray[project] ?? NOTHING);
  const chosen = { ...comparison, sort: query.sort, chosen: tray.slice(0, MOST_CHOSEN).map(({ id }) => id) };
  const items = (of: string, asked: GapQuery) =>
    FORMATS.map(({ format, name }) => ({
      key: `${of}-${format}`,
      label: <a href={exportAddress(project, asked, format)}>{name}</a>,
    }));
  return (
    <Dropdown
      autoFocus
      trigger={['click']}
      menu={{
        items: [
          {
            key: 'shown',
            type: 'group',
            label: total === undefined ? 'What passes' : `What passes, ${total.toLocaleString('en-US')} rows`,
            children: items('shown', query),
          },
          ...(tray.length > 0 && tray.length <= MOST_CHOSEN
            ? [
                {
                  key: 'tray',
                  type: 'group' as const,
                  label: `What is in the tray, ${tray.length}`,
                  children: items('tray', chosen),
                },
              ]
            : []),
        ],
      }}
    >
      <Button>Export</Button>
    </Dropdown>
  );
}
