/** A side by its letter, if it has one, and its name. */
export function SideName({ side: { letter, name } }: { side: { letter: string | null; name: string } }) {
  return (
    <span className="no-break">
      {letter !== null && <b>{letter} </b>}
      {name}
    </span>
  );
}
