import { PAGE_KINDS } from '@opsimath/core/text/pageKind';
import { Select } from 'antd';
import { usePageKinds } from '../../state/usePageKinds';

/** What kind of page an address is: by its path until somebody says otherwise. */
export function KindOfPage({ address }: { address: string }) {
  const { kindOf, isSaid, say } = usePageKinds();
  const byHand = isSaid(address);
  return (
    <Select
      size="small"
      variant="borderless"
      className="written kind-of-page"
      aria-label={`Kind of page: ${address}`}
      title={byHand ? 'Said by hand' : 'By its path; press to say otherwise'}
      popupMatchSelectWidth={false}
      value={kindOf(address)}
      options={[
        ...PAGE_KINDS.map((kind) => ({ value: kind as string, label: kind })),
        ...(byHand ? [{ value: 'by rule', label: 'as its path says' }] : []),
      ]}
      onChange={(kind) => say(address, kind as Parameters<typeof say>[1])}
    />
  );
}
