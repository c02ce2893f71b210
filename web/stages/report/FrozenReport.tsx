import { Button, Popconfirm, Select } from 'antd';
import { useState } from 'react';
import { Problem } from '../../parts/words/Problem';
import { spelledDay } from '../../parts/words/figures';
import { useFrozenQuery, useFrozenReportsQuery, useRemoveFrozenMutation } from '../../state/frozenApi';
import { useScope } from '../../state/useScope';
import { FrozenDifferenceView } from './FrozenDifferenceView';
import { ReportPaper } from './ReportPaper';
import { Sharing } from './Sharing';
import { TakeAway } from './TakeAway';
import { Told } from '../../words/Told';
import { t } from '../../words/t';

/** A report as it was when it was frozen: the same whatever the data say today. */
export function FrozenReport({ id }: { id: number }) {
  const { project, scope, change } = useScope();
  const { data, error } = useFrozenQuery({ project, id });
  const { data: all } = useFrozenReportsQuery(project);
  const [remove] = useRemoveFrozenMutation();
  const [sharing, share] = useState(false);
  if (error) return <Problem error={error} />;
  if (!data) return <p className="soft">{t('report:FrozenReport.openingWhatWasFrozen')}</p>;
  const { frozen, content, asItWas } = data;
  const earlier = (all ?? []).filter((one) => one.id !== id && one.market === frozen.market);
  const takeAway = async (): Promise<void> => {
    await remove({ project, id }).unwrap();
    change({ frozen: null, against: null });
  };
  return (
    <>
      <div className="report-tools no-print">
        <span className="soft frozen-line">
          <Told
            id="report:FrozenReport.frozenReplaceShownUTCWhichSHA256"
            values={{
              replaceShown: frozen.madeAt.slice(0, 16).replace('T', ' '),
              which: asItWas
                ? t('report:FrozenReport.asItWas')
                : t('report:FrozenReport.notAsItWasItsChecksum'),
              checksum: frozen.checksum.slice(0, 12),
            }}
            parts={{ code: <code title={frozen.checksum} /> }}
          />
        </span>
        {earlier.length > 0 && (
          <Select
            size="small"
            aria-label={t('report:FrozenReport.holdAgainstAnEarlierOne')}
            style={{ minWidth: 190 }}
            popupMatchSelectWidth={false}
            value={scope.against ?? 0}
            options={[
              { value: 0, label: t('report:FrozenReport.holdAgainst') },
              ...earlier.map((one) => ({ value: one.id, label: `${one.title}, ${spelledDay(one.date)}` })),
            ]}
            onChange={(against) => change({ against: against === 0 ? null : against })}
          />
        )}
        <Button size="small" aria-expanded={sharing} onClick={() => share(!sharing)}>
          {t('report:FrozenReport.share')}
        </Button>
        <TakeAway what={{ frozen: id }} content={content} />
        <Popconfirm
          title={t('report:FrozenReport.whatWasFrozenCannotBeMade')}
          okText={t('report:FrozenReport.remove')}
          cancelText={t('report:FrozenReport.keep')}
          onConfirm={() => void takeAway().catch(() => undefined)}
        >
          <Button size="small">{t('report:FrozenReport.remove')}</Button>
        </Popconfirm>
      </div>
      <div className="report-desk wide">
        {sharing && <Sharing id={id} />}
        {scope.against !== null && <FrozenDifferenceView id={id} before={scope.against} />}
        <ReportPaper content={content} />
      </div>
    </>
  );
}
