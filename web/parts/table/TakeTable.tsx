import { Dropdown } from 'antd';
import { useRef } from 'react';
import { useScopeWords } from '../../state/useScopeWords';
import { saveFile } from '../../state/saveFile';
import { useTrouble } from '../words/useTrouble';
import { copyAsTable } from './copyAsTable';
import { readTable } from './readTable';
import './takeTable.css';
import { t } from '../../words/t';

const FORMATS = [
  { format: 'csv', label: t('parts:TakeTable.cSV') },
  { format: 'xlsx', label: t('parts:TakeTable.workbookXLSX') },
  { format: 'json', label: t('parts:TakeTable.jSON') },
] as const;
type Way = 'copy' | (typeof FORMATS)[number]['format'];

/** Copies the table that follows, or writes it as a file: the columns and rows that are on the screen, with its name and scope. */
export function TakeTable({ name }: { name: string }) {
  const at = useRef<HTMLDivElement>(null);
  const scope = useScopeWords();
  const trouble = useTrouble();
  const take = async (way: Way): Promise<void> => {
    const table = at.current?.nextElementSibling;
    if (!(table instanceof HTMLTableElement)) return;
    const read = readTable(table);
    if (way === 'copy') await copyAsTable([read.heads, ...read.rows.map((row) => row.map(String))]);
    else
      await saveFile({
        format: way,
        name: `${name}, ${scope.short}`,
        about: `${name}. ${scope.long}`,
        ...read,
      });
  };
  return (
    <div ref={at} className="take-table">
      <Dropdown
        autoFocus
        trigger={['click']}
        menu={{
          items: [
            { key: 'copy', label: t('parts:TakeTable.copyAsATable') },
            ...FORMATS.map(({ format, label }) => ({ key: format, label })),
          ],
          onClick: ({ key }) => void take(key as Way).catch(trouble),
        }}
      >
        <button
          className="plain soft written"
          aria-label={t('parts:TakeTable.takeAlongName', { name })}
          title={t('parts:TakeTable.theColumnsAndRowsThatAre')}
        >
          {t('parts:TakeTable.takeAlong')}
        </button>
      </Dropdown>
    </div>
  );
}
