import { MOST_ATTACHED, type TestCutInput } from '@burl/contract';

/** Bytes made text at a time: a call takes so many arguments and no more. */
const PIECE = 32_768;

/** A file as the server takes it. Throws when it is too large or neither sound nor picture. */
export async function attachmentOf(file: File): Promise<NonNullable<TestCutInput['attachment']>> {
  if (file.size > MOST_ATTACHED) {
    throw new Error(
      `${file.name} has ${(file.size / 1e6).toFixed(1)} MB; allowed: up to ${MOST_ATTACHED / 1e6} MB`,
    );
  }
  if (!/^(audio|image)\//.test(file.type)) {
    throw new Error(`${file.name} is ${file.type || 'of no known kind'}; allowed: a sound or a picture`);
  }
  const bytes = new Uint8Array(await file.arrayBuffer());
  let text = '';
  for (let i = 0; i < bytes.length; i += PIECE) text += String.fromCharCode(...bytes.subarray(i, i + PIECE));
  return { name: file.name, type: file.type.split(';')[0]!, base64: btoa(text) };
}
