/* A picture from the camera or a file, scaled down and written as JPEG, so that a year of work stays small. */

/** Longest side of what is kept, px. */
export const MOST_PX = 1600;
/** Most of a JPEG that the workshop takes, bytes. */
const MOST_BYTES = 1_900_000;

/**
 * The picture as a JPEG in base 64, upright.
 *
 * @returns why there is none, in words, where the file is no picture or stays too large
 */
export async function photographOf(file: Blob): Promise<{ ok: true; jpeg: string } | { ok: false; says: string }> {
  let picture: ImageBitmap;
  try {
    picture = await createImageBitmap(file, { imageOrientation: 'from-image' });
  } catch {
    return { ok: false, says: 'This file is no picture that the browser can read: take a JPEG, PNG or WebP.' };
  }
  const scale = Math.min(1, MOST_PX / Math.max(picture.width, picture.height));
  const canvas = document.createElement('canvas');
  canvas.width = Math.max(1, Math.round(picture.width * scale));
  canvas.height = Math.max(1, Math.round(picture.height * scale));
  const pen = canvas.getContext('2d')!;
  // What is seen through in a PNG is white on paper.
  pen.fillStyle = '#ffffff';
  pen.fillRect(0, 0, canvas.width, canvas.height);
  pen.drawImage(picture, 0, 0, canvas.width, canvas.height);
  picture.close();
  for (const quality of [0.85, 0.7, 0.5]) {
    const jpeg = canvas.toDataURL('image/jpeg', quality).replace(/^data:image\/jpeg;base64,/, '');
    if (jpeg.length * 0.75 <= MOST_BYTES) return { ok: true, jpeg };
  }
  return { ok: false, says: 'The picture stays too large: take it again from further away.' };
}
