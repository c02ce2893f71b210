import { leftLines } from '@opsimath/core/text/listedLines';
import { Popover } from 'antd';
import { useMemo } from 'react';
import { counted } from '../../parts/words/figures';
import { t, wordOf } from '../../words/t';

/** Lines of a list that brought no keyword of their own, all of them at one press; nothing where every line did. */
export function ListLines({ lines }: { lines: readonly string[] }) {
  const left = useMemo(() => leftLines(lines), [lines]);
  if (left.length === 0) return null;
  return (
    <>
      <Popover
        trigger="click"
        content={
          <ul className="left-lines" aria-label={t('lookup:ListLines.linesWithoutAKeywordOfTheir')}>
            {left.map(({ text, why }, n) => (
              <li key={n}>
                “{text}
                {'” '}
                <span className="faint">{wordOf(why)}</span>
              </li>
            ))}
          </ul>
        }
      >
        <button className="plain written">
          {t('lookup:ListLines.linesLeft', { lines: counted(left.length, 'line') })}
        </button>
      </Popover>{' '}
    </>
  );
}
