import { useScope } from '../../state/useScope';

/** A keyword that opens its dossier beside what is on the screen. */
export function OpenKeyword({
  id,
  text,
  children,
}: {
  id: number;
  text: string;
  children?: React.ReactNode;
}) {
  const { scope, change } = useScope();
  return (
    <button
      className="plain keyword-link"
      aria-current={scope.open === id ? 'true' : undefined}
      onClick={() => change({ open: id }, { replace: scope.open !== null })}
    >
      {children ?? text}
    </button>
  );
}
