import { t } from '../../words/t';

/** Media types that a note takes. */
export const PICTURES: readonly string[] = ['image/png', 'image/jpeg', 'image/webp', 'image/gif'];
const MOST_BYTES = 3_000_000;

export function pictureAddress(project: number, note: number): string {
  return `/api/projects/${project}/notes/${note}/picture`;
}

/** Why a file cannot be kept with a note, in words; `null` where it can. */
export function pictureProblem({ type, size }: Pick<File, 'type' | 'size'>): string | null {
  if (!PICTURES.includes(type)) return t('parts:notePictures.onlyPNGJPEGWebPOrGIF');
  if (size > MOST_BYTES)
    return t('parts:notePictures.thePictureHasSizeMBUp', {
      size: (size / 1e6).toFixed(1),
      MOSTBYTES: MOST_BYTES / 1e6,
    });
  return null;
}

/** A file as a data address. */
export function asDataAddress(file: Blob): Promise<string> {
  return new Promise((resolve, reject) => {
    const reader = new FileReader();
    reader.onload = () => resolve(reader.result as string);
    reader.onerror = () => reject(reader.error ?? new Error('The picture cannot be read.'));
    reader.readAsDataURL(file);
  });
}

export async function fetchedPicture(address: string): Promise<string> {
  return asDataAddress(await (await fetch(address)).blob());
}
