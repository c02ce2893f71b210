import { type PoolFigure, POOL_READERS, poolFigureOf } from '@opsimath/contract/figures/poolFigures';
import type { LookUp } from '@opsimath/contract/api/lookUps';
import type { PoolPage, PoolQuery, PoolRow } from '@opsimath/contract/api/pool';
import { Button, Checkbox, Dropdown, Popover } from 'antd';
import { copyAsTable } from '../../parts/table/copyAsTable';
import { count, counted, spelledDay } from '../../parts/words/figures';
import { useMessages } from '../../state/messages';
import { toParams } from '../../state/api';
import { lookUpApi, useExportsQuery } from '../../state/lookUpApi';
import { useAppDispatch } from '../../state/store';
import { useScope } from '../../state/useScope';
import { LookAgain } from './LookAgain';
import { COLUMN_NAMES, type ColumnId, rememberColumns, shownColumns } from './poolColumnNames';
import { t, wordOf } from '../../words/t';

interface PoolMenuProps {
  lookUp: LookUp;
  lookUps: readonly LookUp[];
  query: PoolQuery;
  page: PoolPage | undefined;
  rowAt: (index: number) => PoolRow | undefined;
}
const COPIED = 500;

/** What can be done with a pool as a whole: columns, copy, files, look up again, compare with an earlier one. */
export function PoolMenu({ lookUp, lookUps, query, page }: PoolMenuProps) {
  const { project, scope, change } = useScope();
  const message = useMessages();
  const dispatch = useAppDispatch();
  const { data: exports } = useExportsQuery(lookUp.id);
  const columns = shownColumns(project, scope.columns, lookUp);
  const choose = (chosen: ColumnId[]): void => {
    rememberColumns(project, chosen);
    change({ columns: chosen }, { replace: true });
  };
  const copy = async (): Promise<void> => {
    const asked = dispatch(
      lookUpApi.endpoints.pool.initiate({ lookUp: lookUp.id, query: { ...query, limit: COPIED } }),
    );
    const { data } = await asked;
    asked.unsubscribe();
    if (!data) return;
    await copyAsTable(poolAsTable(data));
    void message.info(
      t('lookup:PoolMenu.rowsOfRows2AreOnThe', {
        rows: count(data.rows.length),
        rows2: counted(data.total, 'row'),
      }),
    );
  };
  const fileAddress = (format: string, rows: string): string =>
    `/api/look-ups/${lookUp.id}/keywords.file?${new URLSearchParams(toParams({ ...query, format, rows }))}`;
  const others = lookUps.filter((other) => other.market === lookUp.market && other.id !== lookUp.id);
  const files = (['csv', 'xlsx', 'json'] as const).flatMap((format) => [
    {
      key: `${format} shown`,
      label: (
        <a href={fileAddress(format, 'shown')}>
          {t('lookup:PoolMenu.formatTotalShown', { format: format.toUpperCase(), total: count(page?.total) })}
        </a>
      ),
    },
    ...(page && page.total !== page.all
      ? [
          {
            key: `${format} all`,
            label: (
              <a href={fileAddress(format, 'all')}>
                {t('lookup:PoolMenu.formatAllAll', { format: format.toUpperCase(), all: count(page.all) })}
              </a>
            ),
          },
        ]
      : []),
  ]);
  const earlier = (exports ?? []).slice(0, 6).map((entry) => ({
    key: `export ${entry.id}`,
    label: (
      <a href={`/api/look-ups/${lookUp.id}/keywords.file?${entry.query}`}>
        {entry.createdAt.slice(0, 10)}
        {': '}
        {entry.name}
        {', '}
        {counted(entry.rows, 'row')}
      </a>
    ),
  }));
  return (
    <div className="pool-menu">
      <Popover
        trigger="click"
        placement="bottomRight"
        content={
          <Checkbox.Group
            className="column-choice"
            value={columns}
            options={Object.entries(COLUMN_NAMES).map(([value, label]) => ({ value, label }))}
            onChange={(chosen) => choose(chosen as ColumnId[])}
          />
        }
      >
        <Button size="small">{t('lookup:PoolMenu.columns')}</Button>
      </Popover>
      <Button size="small" onClick={() => void copy()}>
        {t('lookup:PoolMenu.copy')}
      </Button>
      <Dropdown
        autoFocus
        trigger={['click']}
        menu={{
          items: [
            ...files,
            ...(earlier.length > 0
              ? [
                  {
                    key: 'earlier',
                    type: 'group' as const,
                    label: t('lookup:PoolMenu.writtenBeforeMakeAgain'),
                    children: earlier,
                  },
                ]
              : []),
          ],
        }}
      >
        <Button size="small">{t('lookup:PoolMenu.export')}</Button>
      </Dropdown>
      {lookUp.kind !== 'import' && lookUp.date !== scope.date && <LookAgain lookUp={lookUp} />}
      {others.length > 0 && (
        <Dropdown
          autoFocus
          trigger={['click']}
          menu={{
            items: others.slice(0, 12).map((other) => ({
              key: String(other.id),
              label: `${other.name}, ${spelledDay(other.date)}`,
            })),
            onClick: ({ key }) => change({ view: `against-${key}` }),
          }}
        >
          <Button size="small">{t('lookup:PoolMenu.whatChangedSince')}</Button>
        </Dropdown>
      )}
    </div>
  );
}

/** What is copied, in this order. */
const COPIED_FIGURES: readonly PoolFigure[] = ['adCompetition', 'difficulty', 'results', 'words'];

/** Rows as a table for the clipboard, every figure with its head. */
function poolAsTable(page: PoolPage): string[][] {
  // What nobody told is unknown; where a target was not found, nothing stands.
  const text = (value: number | string | null): string =>
    value === null ? t('lookup:PoolMenu.unknown') : String(value);
  const place = (value: number | null | undefined): string =>
    value ? String(value) : t('lookup:PoolMenu.notFound');
  const heads = [
    wordOf('keyword'),
    t('lookup:PoolMenu.foundBy'),
    wordOf('volume'),
    ...page.targets.flatMap((target) => [
      t('lookup:PoolMenu.targetOrganic', { target }),
      t('lookup:PoolMenu.targetPaid', { target }),
    ]),
    t('lookup:PoolMenu.cPCLow'),
    t('lookup:PoolMenu.cPCHigh'),
    ...COPIED_FIGURES.map((name) => poolFigureOf(name).head.toLowerCase()),
  ];
  return [
    heads,
    ...page.rows.map((row) => [
      row.text,
      row.found.join(', '),
      text(row.volume),
      ...page.targets.flatMap((_, t) => [place(row.organic[t]), place(row.paid[t])]),
      text(row.cpcLow),
      text(row.cpcHigh),
      ...COPIED_FIGURES.map((name) => text(POOL_READERS[name](row))),
    ]),
  ];
}
