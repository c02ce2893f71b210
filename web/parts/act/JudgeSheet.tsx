import { AutoComplete, Button } from 'antd';
import { useState } from 'react';
import { useJudge } from '../../state/useJudge';
import { useSettings } from '../../state/useSettings';
import { SignedBy } from '../words/SignedBy';
import { type ActedOn, nameOf } from './keywordsActedOn';
import { VERDICT_KEYS } from './verdictKeys';
import { t } from '../../words/t';

/** A verdict, with its reason, for some keywords; one step that can be taken back. */
export function JudgeSheet({ keywords, onDone }: { keywords: readonly ActedOn[]; onDone: () => void }) {
  const judge = useJudge();
  const [reason, setReason] = useState('');
  const reasons = useSettings()?.verdictReasons ?? [];
  return (
    <>
      <p className="soft">{nameOf(keywords)}</p>
      <div className="act-line">
        <AutoComplete
          className="grow"
          size="small"
          aria-label={t('parts:JudgeSheet.reason')}
          placeholder={t('parts:JudgeSheet.reasonIfThereIsOne')}
          value={reason}
          options={reasons.map((value) => ({ value }))}
          onChange={setReason}
        />
      </div>
      <div className="acts">
        {Object.entries(VERDICT_KEYS).map(([pressed, { verdict, parked, word }]) => (
          <Button
            key={pressed}
            size="small"
            onClick={() => {
              judge(
                keywords.map(({ id }) => ({ keyword: id, verdict, parked, reason: reason.trim() })),
                `${nameOf(keywords)}: ${word}`,
              );
              onDone();
            }}
          >
            {word}
          </Button>
        ))}
      </div>
      <SignedBy />
    </>
  );
}
