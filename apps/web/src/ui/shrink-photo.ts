/** Longest side of a photo that is kept, px: an edge is seen well, and it is sent over a weak line. */
const LONGEST = 1600;
const QUALITY = 0.82;

/** A photo made small enough to send; as it is where it is small already or the browser cannot read it. */
export async function shrunkPhoto(file: File): Promise<File> {
  try {
    const picture = await createImageBitmap(file);
    const scale = LONGEST / Math.max(picture.width, picture.height);
    if (scale >= 1) return file;
    const canvas = document.createElement('canvas');
    canvas.width = Math.round(picture.width * scale);
    canvas.height = Math.round(picture.height * scale);
    canvas.getContext('2d')?.drawImage(picture, 0, 0, canvas.width, canvas.height);
    const blob = await new Promise<Blob | null>((done) => canvas.toBlob(done, 'image/jpeg', QUALITY));
    return blob ? new File([blob], file.name.replace(/\.\w+$/, '.jpg'), { type: 'image/jpeg' }) : file;
  } catch {
    return file;
  }
}
