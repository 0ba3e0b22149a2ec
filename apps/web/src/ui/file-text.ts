/** Bytes made text at a time: a call takes so many arguments and no more. */
const PIECE = 32_768;

/** Bytes of a file as characters one by one: whatever stands in it comes out of it again. */
export async function charactersOf(file: Blob): Promise<string> {
  const bytes = new Uint8Array(await file.arrayBuffer());
  let text = '';
  for (let i = 0; i < bytes.length; i += PIECE) text += String.fromCharCode(...bytes.subarray(i, i + PIECE));
  return text;
}

/** A file as the server takes it. Throws when it is too large or not of a kind it takes. */
export async function fileAsText(
  file: File,
  { most, kinds, allowed }: { readonly most: number; readonly kinds: RegExp; readonly allowed: string },
): Promise<{ name: string; type: string; base64: string }> {
  if (file.size > most) {
    throw new Error(`${file.name} has ${(file.size / 1e6).toFixed(1)} MB; allowed: up to ${most / 1e6} MB`);
  }
  if (!kinds.test(file.type)) {
    throw new Error(`${file.name} is ${file.type || 'of no known kind'}; allowed: ${allowed}`);
  }
  return { name: file.name, type: file.type.split(';')[0]!, base64: btoa(await charactersOf(file)) };
}
