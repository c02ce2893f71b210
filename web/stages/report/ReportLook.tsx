import { Button, ColorPicker, Input, Upload } from 'antd';
import { useState } from 'react';
import type { HeldDocument } from './useReportDocument';
import { t } from '../../words/t';

const MOST_BYTES = 250_000;
const USUAL = '#1d5c63';

/** Title, logo and colour of a report. */
export function ReportLook({ held }: { held: HeldDocument }) {
  const { document, change } = held;
  const [trouble, setTrouble] = useState('');
  const take = async (file: File): Promise<void> => {
    if (!/^image\/(png|jpeg)$/.test(file.type)) return setTrouble(t('report:ReportLook.aLogoIsAPictureIn'));
    if (file.size > MOST_BYTES) return setTrouble(t('report:ReportLook.aLogoHasAtMost250'));
    const logo = await asDataAddress(file);
    setTrouble('');
    change((current) => ({ ...current, logo }));
  };
  return (
    <section className="report-look no-print" aria-label={t('report:ReportLook.titleLogoColour')}>
      <label>
        {t('report:ReportLook.title')}
        <Input
          value={document.title}
          maxLength={200}
          placeholder={t('report:ReportLook.aTitleIsMadeFromThe')}
          onChange={(event) => change((current) => ({ ...current, title: event.target.value }))}
        />
      </label>
      <div>
        {t('report:ReportLook.logo')}{' '}
        <Upload
          accept="image/png,image/jpeg"
          showUploadList={false}
          beforeUpload={(file) => {
            void take(file);
            return false;
          }}
        >
          <Button size="small">
            {document.logo === null
              ? t('report:ReportLook.chooseAPicture')
              : t('report:ReportLook.chooseAnother')}
          </Button>
        </Upload>{' '}
        {document.logo !== null && (
          <button className="plain written" onClick={() => change((current) => ({ ...current, logo: null }))}>
            {t('report:ReportLook.withoutLogo')}
          </button>
        )}
        {trouble !== '' && <span className="problem"> {trouble}</span>}
      </div>
      <div>
        {t('report:ReportLook.colour')}{' '}
        <ColorPicker
          size="small"
          disabledAlpha
          showText
          value={document.accent ?? USUAL}
          onChangeComplete={(colour) =>
            change((current) => ({ ...current, accent: colour.toHexString().slice(0, 7).toLowerCase() }))
          }
        />{' '}
        {document.accent !== null && (
          <button
            className="plain written"
            onClick={() => change((current) => ({ ...current, accent: null }))}
          >
            {t('report:ReportLook.theUsualOne')}
          </button>
        )}
      </div>
    </section>
  );
}

function asDataAddress(file: File): Promise<string> {
  return new Promise((resolve, reject) => {
    const reader = new FileReader();
    reader.onload = () => resolve(String(reader.result));
    reader.onerror = () => reject(new Error('this picture cannot be read'));
    reader.readAsDataURL(file);
  });
}
