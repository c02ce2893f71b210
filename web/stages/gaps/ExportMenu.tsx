import type { GapQuery } from '@opsimath/contract/api/gapQuery';
import { GAP_FIGURE_NAMES, type GapFigure } from '@opsimath/contract/figures/gapFigures';
import { Button, Dropdown } from 'antd';
import { useAppSelector } from '../../state/store';
import { useScope } from '../../state/useScope';
import { counted } from '../../parts/words/figures';
import { gapExtra } from './gapExtraColumns';
import { FORMATS, exportAddress } from '../../parts/act/exportAddress';
import { t } from '../../words/t';

/** More ids than an address should carry. */
const MOST_CHOSEN = 1500;
const NOTHING: { id: number; text: string }[] = [];

/** Figures that the table always has. */
const ALWAYS: readonly GapFigure[] = ['move', 'demand', 'chance', 'worth', 'a month', 'priority'];

function figuresShown(extra: readonly string[]): GapFigure[] {
  return GAP_FIGURE_NAMES.filter((name) => ALWAYS.includes(name) || extra.includes(name));
}

/** What is shown, or what was put into the tray, as a file. */
export function ExportMenu({ query, total }: { query: GapQuery; total: number | undefined }) {
  const { project, scope, comparison } = useScope();
  const tray = useAppSelector((state) => state.tray[project] ?? NOTHING);
  const chosen = { ...comparison, sort: query.sort, chosen: tray.slice(0, MOST_CHOSEN).map(({ id }) => id) };
  const figures = figuresShown(gapExtra.shown(project, scope.gapColumns));
  const items = (of: string, asked: GapQuery, only: readonly GapFigure[] = []) =>
    FORMATS.map(({ format, name }) => ({
      key: `${of}-${format}`,
      label: <a href={exportAddress(project, asked, format, only)}>{name}</a>,
    }));
  const rows = total === undefined ? '' : `, ${counted(total, 'row')}`;
  return (
    <Dropdown
      autoFocus
      trigger={['click']}
      menu={{
        items: [
          {
            key: 'shown',
            type: 'group',
            label: t('gaps:ExportMenu.theColumnsShownRows', { rows }),
            children: items('shown', query, figures),
          },
          {
            key: 'all',
            type: 'group',
            label: t('gaps:ExportMenu.everyFigureRows', { rows }),
            children: items('all', query),
          },
          ...(tray.length > 0 && tray.length <= MOST_CHOSEN
            ? [
                {
                  key: 'tray',
                  type: 'group' as const,
                  label: t('gaps:ExportMenu.whatIsInTheTrayTray', { tray: tray.length }),
                  children: items('tray', chosen),
                },
              ]
            : []),
        ],
      }}
    >
      <Button>{t('gaps:ExportMenu.export')}</Button>
    </Dropdown>
  );
}
