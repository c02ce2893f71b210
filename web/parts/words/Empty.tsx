/** An empty place says what to do next, with the button that does it. */
export function Empty({ title, children }: { title: string; children?: React.ReactNode }) {
  return (
    <div className="empty">
      <div className="serif">{title}</div>
      {children}
    </div>
  );
}
