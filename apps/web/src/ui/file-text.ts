/** Bytes of a file as characters one by one: whatever stands in it comes out of it again. Rejects where the file cannot be read. */
export const charactersOf = (file: Blob): Promise<string> =>
  new Promise((done, fail) => {
    const reader = new FileReader();
    reader.onload = () => done(reader.result as string);
    reader.onerror = () => fail(reader.error ?? new Error('the file cannot be read'));
    // No decoder keeps every byte: what is called latin1 reads 0x80 to 0x9f as something else.
    reader.readAsBinaryString(file);
  });

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
