/** A photo made small enough to be kept: upright, without where and with what it was taken. */
export interface SmallPicture {
  readonly data: string;
  readonly width: number;
  readonly height: number;
}

const LONGEST_SIDE = 1_600;
const MOST_MB = 0.6;
const MOST_BYTES = 60_000_000;

/**
 * Draws a photo anew: what a camera writes beside the picture (place, device, time) stays behind, as only its pixels are taken.
 * @throws Error with a sentence for the person where it is no picture that this browser can open
 */
export async function smallPicture(file: File): Promise<SmallPicture> {
  if (!file.type.startsWith('image/')) throw new Error(`“${file.name}” is no picture. Choose a photo.`);
  if (file.size > MOST_BYTES) throw new Error(`“${file.name}” is larger than 60 MB. Choose a smaller one.`);
  try {
    const { default: shrink } = await import('browser-image-compression');
    // Its worker would be fetched from elsewhere.
    const options = { useWebWorker: false, fileType: 'image/jpeg', maxWidthOrHeight: LONGEST_SIDE, maxSizeMB: MOST_MB };
    const small = await shrink(file, { ...options, initialQuality: 0.85, alwaysKeepResolution: true });
    // A file that was small enough already comes back as it was: it is drawn all the same.
    const canvas = await drawn(small);
    return { data: canvas.toDataURL('image/jpeg', 0.85), width: canvas.width, height: canvas.height };
  } catch {
    throw new Error(
      `“${file.name}” cannot be opened here: it is damaged, or of a kind this browser does not read. Save it as JPEG.`,
    );
  }
}

async function drawn(file: Blob): Promise<HTMLCanvasElement> {
  const bitmap = await createImageBitmap(file, { imageOrientation: 'from-image' });
  const canvas = document.createElement('canvas');
  [canvas.width, canvas.height] = [bitmap.width, bitmap.height];
  canvas.getContext('2d')!.drawImage(bitmap, 0, 0);
  bitmap.close();
  return canvas;
}
