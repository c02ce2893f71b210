import type { ReportContent } from '@opsimath/contract/api/reportContent';
import type { FileFormat, ReportFileRequest } from '@opsimath/contract/api/reports';
import { Button, Dropdown } from 'antd';
import { useEffect, useState } from 'react';
import { percent } from '../../parts/words/figures';
import { problemOf } from '../../state/api';
import {
  useReportFileQuery,
  useStopReportFileMutation,
  useWriteReportFileMutation,
} from '../../state/frozenApi';
import { useScope } from '../../state/useScope';
import { t } from '../../words/t';

const NAMES: Record<FileFormat, string> = {
  pdf: t('report:TakeAway.pDFLaidOutForPaper'),
  html: t('report:TakeAway.hTMLOneFileForAnyBrowser'),
  xlsx: t('report:TakeAway.xLSXASheetForEachTable'),
  csv: t('report:TakeAway.cSVOneTable'),
  md: t('report:TakeAway.markdown'),
  json: t('report:TakeAway.jSONWithItsSchema'),
};
const WHOLE = ['pdf', 'html', 'xlsx', 'md', 'json'] as const;
const LOOK_MS = 300;

interface TakeAwayProps {
  what: Omit<ReportFileRequest, 'format'>;
  content: ReportContent | undefined;
}

/** A report as a file: written on the server, with how far it is, then taken. */
export function TakeAway({ what, content }: TakeAwayProps) {
  const { project } = useScope();
  const [write] = useWriteReportFileMutation();
  const [file, setFile] = useState<number | null>(null);
  const [trouble, setTrouble] = useState<string | null>(null);
  const begin = async (format: FileFormat, table?: string): Promise<void> => {
    setTrouble(null);
    try {
      const begun = await write({
        project,
        ...what,
        format,
        ...(table === undefined ? {} : { table }),
      }).unwrap();
      setFile(begun.id);
    } catch (error) {
      setTrouble(problemOf(error).message);
    }
  };
  const tables = (content?.sections ?? []).flatMap(({ blocks }) =>
    blocks.flatMap((block) => (block.kind === 'table' ? [{ id: block.id, title: block.title }] : [])),
  );
  return (
    <>
      <Dropdown
        trigger={['click']}
        disabled={content === undefined || file !== null}
        menu={{
          items: [
            ...WHOLE.map((format) => ({ key: format as string, label: NAMES[format] })),
            {
              key: 'csv',
              label: NAMES.csv,
              children: tables.map(({ id, title }) => ({ key: `csv ${id}`, label: title })),
            },
          ],
          onClick: ({ key }) => {
            const [format, ...table] = key.split(' ');
            void begin(format as FileFormat, table.length > 0 ? table.join(' ') : undefined);
          },
        }}
      >
        <Button size="small" type="primary">
          {t('report:TakeAway.takeAway')}
        </Button>
      </Dropdown>
      {file !== null && (
        <FileProgress
          id={file}
          onEnd={(message) => {
            setFile(null);
            setTrouble(message);
          }}
        />
      )}
      {trouble !== null && <span className="problem">{trouble}</span>}
    </>
  );
}

function FileProgress({ id, onEnd }: { id: number; onEnd: (trouble: string | null) => void }) {
  const { project } = useScope();
  const { data, error } = useReportFileQuery({ project, id }, { pollingInterval: LOOK_MS });
  const [stop] = useStopReportFileMutation();
  const state = data?.state;
  const trouble = error ? problemOf(error).message : state === 'failed' ? data!.message : null;
  useEffect(() => {
    if (state === 'done') {
      const link = document.createElement('a');
      link.href = `/api/projects/${project}/report-files/${id}/content`;
      link.download = '';
      link.click();
      onEnd(null);
    } else if (trouble !== null) onEnd(trouble);
    // eslint-disable-next-line react-hooks/exhaustive-deps -- once, when it has come to its end
  }, [state, trouble]);
  return (
    <span className="soft" role="status">
      {t('report:TakeAway.writingTheFileProgress', { progress: percent(data?.progress ?? 0, 0) })}{' '}
      <button
        className="plain written"
        onClick={() => {
          void stop({ project, id });
          onEnd(null);
        }}
      >
        {t('report:TakeAway.stop')}
      </button>
    </span>
  );
}
