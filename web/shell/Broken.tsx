import { Button } from 'antd';
import { useRouteError } from 'react-router';
import { t } from '../words/t';

/** When a view breaks: what happened, what was kept, what to do. */
export function Broken() {
  const error = useRouteError();
  return (
    <main style={{ maxWidth: 560, margin: '12vh auto' }}>
      <h1>{t('shell:Broken.thisViewBroke')}</h1>
      <p>
        {t('shell:Broken.nothingThatWasStoredIsLost')}{' '}
        <span className="soft">{error instanceof Error ? error.message : String(error)}</span>
      </p>
      <Button type="primary" onClick={() => window.location.reload()}>
        {t('shell:Broken.loadItAgain')}
      </Button>{' '}
      <Button href="/">{t('shell:Broken.allProjects')}</Button>
    </main>
  );
}
