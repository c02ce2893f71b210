import { Button } from 'antd';
import { Link, useLocation } from 'react-router';
import { useScope } from '../../state/useScope';
import { Empty } from './Empty';
import { t } from '../../words/t';

/** Said where there is nothing to work with before a look-up was made, with the way to one. */
export function StartLookUp({ title, children }: { title: string; children: React.ReactNode }) {
  const { project } = useScope();
  const { search } = useLocation();
  return (
    <Empty title={title}>
      {children}
      <div>
        <Link to={`/p/${project}/look-up${search}`}>
          <Button type="primary">{t('parts:StartLookUp.startALookUp')}</Button>
        </Link>
      </div>
    </Empty>
  );
}
