/** Stands where the picture of a slot would be: the owner's first letter on a tint of its own. */
export function PicturePlaceholder({ name, address }: { name: string; address: string }) {
  let hash = 0;
  for (const letter of address) hash = (hash * 31 + letter.charCodeAt(0)) >>> 0;
  return (
    <div className={`picture tint-${hash % 4}`} aria-hidden>
      {name[0]}
    </div>
  );
}
