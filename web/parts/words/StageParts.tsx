import { Segmented } from 'antd';
import type { ReactNode } from 'react';
import { STAGE_PARTS, partOf, viewOf } from '../../state/stageParts';
import { useScope } from '../../state/useScope';
import { t } from '../../words/t';

interface StagePartsProps {
  stage: keyof typeof STAGE_PARTS;
  /** The stage as people call it. */
  name: string;
  /** A part's words where they say more than its name. */
  words?: (part: string, label: string) => ReactNode;
}

/** Which part of a stage is open, and going to another. */
export function StageParts({ stage, name, words = (_, label) => label }: StagePartsProps) {
  const { scope, change } = useScope();
  const part = partOf(stage, scope.view);
  return (
    <Segmented<string>
      size="small"
      aria-label={t('parts:StageParts.partOfName', { name })}
      // Something else is open that was come to from one of them: none is pressed, each can be.
      value={scope.view === '' || viewOf(stage, part) === scope.view ? part : ''}
      options={STAGE_PARTS[stage].map(({ value, label }) => ({ value, label: words(value, label) }))}
      onChange={(next) => change({ view: viewOf(stage, next) }, { replace: true })}
    />
  );
}
