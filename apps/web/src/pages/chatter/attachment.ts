import { MOST_ATTACHED, type TestCutInput } from '@burl/contract';
import { fileAsText } from '../../ui/file-text.ts';

/** A recording or picture of a cut as the server takes it. Throws when it is too large or neither. */
export const attachmentOf = (file: File): Promise<NonNullable<TestCutInput['attachment']>> =>
  fileAsText(file, { most: MOST_ATTACHED, kinds: /^(audio|image)\//, allowed: 'a sound or a picture' });
