import { Button, Popover } from 'antd';
import { Markers } from '../../parts/act/Markers';
import { count } from '../../parts/words/figures';
import { useTraySelection } from '../../state/useTraySelection';
import { t } from '../../words/t';

/** Marks that decide nothing, put on what is ticked. */
export function MarkMenu() {
  const { selected } = useTraySelection();
  return (
    <Popover
      trigger="click"
      placement="bottomRight"
      arrow={false}
      destroyOnHidden
      content={<Markers keywords={[...selected]} />}
    >
      <Button size="small" title={t('sift:MarkMenu.marksThatDecideNothingPutOn')}>
        {t('sift:MarkMenu.mark')}
        {selected.size > 0 && ` ${count(selected.size)}`}
      </Button>
    </Popover>
  );
}
