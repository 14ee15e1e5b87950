/** px of the longer side: enough to see a bubble of soap, small enough for a phone's connection. */
const LONGEST_PX = 1600;
const MOST_BYTES = 600_000;
/** Tried one after the other until it is small enough. */
const QUALITY_SHOWN = [0.82, 0.65, 0.45, 0.3];

/**
 * A photograph as it is sent: upright, made smaller, as base64 of a JPEG. Where it was taken and by which device is not in it any more.
 * @throws where the file is no picture that this browser can read
 */
export async function smallJpeg(file: Blob): Promise<string> {
  const picture = await createImageBitmap(file, { imageOrientation: 'from-image' });
  const scale = Math.min(1, LONGEST_PX / Math.max(picture.width, picture.height));
  const canvas = document.createElement('canvas');
  canvas.width = Math.round(picture.width * scale);
  canvas.height = Math.round(picture.height * scale);
  canvas.getContext('2d')?.drawImage(picture, 0, 0, canvas.width, canvas.height);
  picture.close();
  for (const quality of QUALITY_SHOWN) {
    const jpeg = await new Promise<Blob | null>((resolve) => canvas.toBlob(resolve, 'image/jpeg', quality));
    if (jpeg !== null && jpeg.size <= MOST_BYTES) return base64Of(new Uint8Array(await jpeg.arrayBuffer()));
  }
  throw new Error('this picture cannot be made small enough');
}

function base64Of(bytes: Uint8Array): string {
  let text = '';
  for (const byte of bytes) text += String.fromCharCode(byte);
  return btoa(text);
}
