import './pictures.css';
import { t } from '../../words/t';

/** The picture of a result; where none is held, the owner's first letter on a tint of its own. */
export function PictureOf({
  picture,
  name,
  address,
}: {
  picture: string | null;
  name: string;
  address: string;
}) {
  if (picture !== null)
    return <img className="picture" src={picture} alt={t('parts:PictureOf.pictureOfAddress', { address })} />;
  let hash = 0;
  for (const letter of address) hash = (hash * 31 + letter.charCodeAt(0)) >>> 0;
  return (
    <div className={`picture tint-${hash % 4}`} aria-hidden>
      {name[0]}
    </div>
  );
}
