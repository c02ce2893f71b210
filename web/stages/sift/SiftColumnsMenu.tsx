import { Segmented } from 'antd';
import { LANGUAGES } from '@opsimath/core/text/languages';
import { ColumnsMenu } from '../../parts/table/ColumnsMenu';
import { LANGUAGE_NAMES } from '../../parts/words/languages';
import { useScope } from '../../state/useScope';
import { siftExtra } from './extraColumns';
import { t } from '../../words/t';

/** Columns beside the usual ones, and the language in which keywords are said a second time. */
export function SiftColumnsMenu() {
  const { scope, change } = useScope();
  return (
    <ColumnsMenu
      size="small"
      columns={siftExtra}
      inAddress={scope.siftColumns}
      onChoose={(siftColumns) => change({ siftColumns }, { replace: true })}
    >
      <p className="soft">{t('sift:SiftColumnsMenu.saidASecondTimeKeyX')}</p>
      <Segmented
        size="small"
        aria-label={t('sift:SiftColumnsMenu.languageOfTheSecondLine')}
        value={scope.into || 'none'}
        options={[
          { value: 'none', label: t('sift:SiftColumnsMenu.not') },
          ...LANGUAGES.map((value) => ({
            value,
            label: t('sift:SiftColumnsMenu.inLANGUAGENAMES', { LANGUAGENAMES: LANGUAGE_NAMES[value] }),
          })),
        ]}
        onChange={(into) => change({ into: into === 'none' ? '' : (into as 'en') }, { replace: true })}
      />
    </ColumnsMenu>
  );
}
