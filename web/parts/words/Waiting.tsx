import { Spin } from 'antd';
import './waiting.css';
import { t } from '../../words/t';

/** What is being read, said where it will stand. */
export function Waiting({ for: what }: { for: string }) {
  return (
    <p className="waiting soft" role="status">
      <Spin size="small" /> {t('parts:Waiting.readingWhat', { what })}
    </p>
  );
}
