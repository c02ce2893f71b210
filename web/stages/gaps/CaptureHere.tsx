import type { GapRow } from '@opsimath/contract/api/gaps';
import { ActPopover } from '../../parts/act/ActPopover';
import { CaptureSheet } from '../../parts/act/CaptureSheet';
import { t } from '../../words/t';

/** A row that needs a capture first: it can be had right there. */
export function CaptureHere({ row: { text } }: { row: GapRow }) {
  return (
    // What is pressed in the sheet is not pressed on the row below it.
    <span onClick={(event) => event.stopPropagation()} onKeyDown={(event) => event.stopPropagation()}>
      <ActPopover
        name={t('gaps:CaptureHere.captureFirst')}
        label={t('gaps:CaptureHere.captureText', { text })}
        tip={t('gaps:CaptureHere.nobodyLookedYetPressToSee')}
      >
        {(close) => <CaptureSheet keywords={[text]} what={text} onDone={close} />}
      </ActPopover>
    </span>
  );
}
