import { useMessages } from '../../state/messages';
import { useScope } from '../../state/useScope';
import { gapsApi } from '../../state/gapsApi';
import { useAppDispatch } from '../../state/store';
import { copyAsTable } from '../table/copyAsTable';
import type { ActedOn } from './keywordsActedOn';
import { t, wordOf } from '../../words/t';

const WAYS = [
  { name: t('parts:CopySheet.wordsCommaBetween'), between: ', ' },
  { name: t('parts:CopySheet.wordsSpaceBetween'), between: ' ' },
  { name: t('parts:CopySheet.wordsOneALine'), between: '\n' },
] as const;

/** Keywords on the clipboard: as plain words, or as a table with what was found of them. */
export function CopySheet({ keywords, onDone }: { keywords: readonly ActedOn[]; onDone: () => void }) {
  const message = useMessages();
  const copyTable = useCopyTable();
  return (
    <>
      {WAYS.map(({ name, between }) => (
        <div key={name} className="act-line">
          <button
            className="plain written"
            onClick={() =>
              void navigator.clipboard.writeText(keywords.map(({ text }) => text).join(between)).then(() => {
                void message.info(t('parts:CopySheet.keywordsOnTheClipboard', { keywords: keywords.length }));
                onDone();
              })
            }
          >
            {name}
          </button>
        </div>
      ))}
      <div className="act-line">
        <button className="plain written" onClick={() => void copyTable(keywords).then(onDone)}>
          {t('parts:CopySheet.aTableWithFigures')}
        </button>
      </div>
    </>
  );
}

function useCopyTable(): (keywords: readonly ActedOn[]) => Promise<void> {
  const { project, comparison } = useScope();
  const dispatch = useAppDispatch();
  const message = useMessages();
  return async (keywords) => {
    const rows: string[][] = [
      [
        wordOf('keyword'),
        wordOf('kind'),
        t('parts:CopySheet.ownPosition'),
        wordOf('demand'),
        t('parts:CopySheet.addsAMonth'),
        wordOf('priority'),
        t('parts:CopySheet.bestToDo'),
        wordOf('reason'),
      ],
    ];
    for (const { id } of keywords) {
      const asked = dispatch(gapsApi.endpoints.dossier.initiate({ project, keyword: id, scope: comparison }));
      const { data } = await asked;
      asked.unsubscribe();
      if (!data) continue;
      const { text, kind, own, demand, worthAMonth, priority, action, reason } = data.row;
      rows.push([text, kind, String(own), ...[demand, worthAMonth, priority].map(figure), action, reason]);
    }
    await copyAsTable(rows);
    void message.info(t('parts:CopySheet.rowsKeywordsAreOnTheClipboard', { rows: rows.length - 1 }));
  };
}

function figure(value: number | null): string {
  return value === null ? t('parts:CopySheet.unknown') : value.toFixed(2);
}
