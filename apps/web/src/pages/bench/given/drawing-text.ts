/** Largest drawing or table that is read, bytes. */
const LARGEST = 4_000_000;

/** Text of a file, or why it is too large to be read. */
export const drawingText = async (
  file: File,
): Promise<{ readonly text: string } | { readonly refused: string }> =>
  file.size > LARGEST
    ? { refused: `${file.name} has ${(file.size / 1e6).toFixed(1)} MB; allowed: up to 4 MB` }
    : { text: await file.text() };
