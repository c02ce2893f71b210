import { PAGE_KINDS } from '@opsimath/core/text/pageKind';
import { Select } from 'antd';
import { usePageKinds } from '../../state/usePageKinds';
import { t } from '../../words/t';

/** What kind of page an address is: by its path until somebody says otherwise. */
export function KindOfPage({ address }: { address: string }) {
  const { kindOf, isSaid, say } = usePageKinds();
  const byHand = isSaid(address);
  return (
    <Select
      size="small"
      variant="borderless"
      className="written kind-of-page"
      aria-label={t('parts:KindOfPage.kindOfPageAddress', { address })}
      title={byHand ? t('parts:KindOfPage.saidByHand') : t('parts:KindOfPage.byItsPathPressToSay')}
      popupMatchSelectWidth={false}
      value={kindOf(address)}
      options={[
        ...PAGE_KINDS.map((kind) => ({ value: kind as string, label: kind })),
        ...(byHand ? [{ value: 'by rule', label: t('parts:KindOfPage.asItsPathSays') }] : []),
      ]}
      onChange={(kind) => say(address, kind as Parameters<typeof say>[1])}
    />
  );
}
