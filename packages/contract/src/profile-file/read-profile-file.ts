import { profileFromCsv } from './profile-from-csv.ts';
import { profileFromDxf } from './profile-from-dxf.ts';
import type { ReadProfile } from './profile-of-points.ts';

/** A profile from a file: DXF by its name or its first lines, CSV otherwise. */
export const readProfileFile = (name: string, text: string, inside: boolean): ReadProfile =>
  /\.dxf$/i.test(name) || /^\s*0\s*\r?\n\s*SECTION/.test(text)
    ? profileFromDxf(text, inside)
    : profileFromCsv(text, inside);
