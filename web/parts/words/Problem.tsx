import { problemOf } from '../../state/api';

/** What went wrong, what was kept, what to do. */
export function Problem({ error, children }: { error: unknown; children?: React.ReactNode }) {
  const { message, todo } = problemOf(error);
  return (
    <div className="problem" role="alert">
      {message} {todo && <span className="soft">{todo}</span>} {children}
    </div>
  );
}
