import { Button, ColorPicker, Input, Upload } from 'antd';
import { useState } from 'react';
import type { HeldDocument } from './useReportDocument';

const MOST_BYTES = 250_000;
const USUAL = '#1d5c63';

/** Title, logo and colour of a report. */
export function ReportLook({ held }: { held: HeldDocument }) {
  const { document, change } = held;
  const [trouble, setTrouble] = useState('');
  const take = async (file: File): Promise<void> => {
    if (!/^image\/(png|jpeg)$/.test(file.type)) return setTrouble('A logo is a picture in PNG or JPEG.');
    if (file.size > MOST_BYTES) return setTrouble('A logo has at most 250 kB.');
    const logo = await asDataAddress(file);
    setTrouble('');
    change((current) => ({ ...current, logo }));
  };
  return (
    <section className="report-look no-print" aria-label="Title, logo, colour">
      <label>
        Title
        <Input
          value={document.title}
          maxLength={200}
          placeholder="A title is made from the project"
          onChange={(event) => change((current) => ({ ...current, title: event.target.value }))}
        />
      </label>
      <div>
        Logo{' '}
        <Upload
          accept="image/png,image/jpeg"
          showUploadList={false}
          beforeUpload={(file) => {
            void take(file);
            return false;
          }}
        >
          <Button size="small">{document.logo === null ? 'Choose a picture' : 'Choose another'}</Button>
        </Upload>{' '}
        {document.logo !== null && (
          <button className="plain written" onClick={() => change((current) => ({ ...current, logo: null }))}>
            Without logo
          </button>
        )}
        {trouble !== '' && <span className="problem"> {trouble}</span>}
      </div>
      <div>
        Colour{' '}
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
            The usual one
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
