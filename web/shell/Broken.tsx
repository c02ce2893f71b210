import { Button } from 'antd';
import { useRouteError } from 'react-router';

/** When a view breaks: what happened, what was kept, what to do. */
export function Broken() {
  const error = useRouteError();
  return (
    <main style={{ maxWidth: 560, margin: '12vh auto' }}>
      <h1>This view broke</h1>
      <p>
        Nothing that was stored is lost.{' '}
        <span className="soft">{error instanceof Error ? error.message : String(error)}</span>
      </p>
      <Button type="primary" onClick={() => window.location.reload()}>
        Load it again
      </Button>{' '}
      <Button href="/">All projects</Button>
    </main>
  );
}
