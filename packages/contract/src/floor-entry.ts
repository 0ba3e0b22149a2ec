import * as yup from 'yup';
import { attachedFile } from './attached-file.ts';

/** Largest photo or recording from the floor, bytes. */
export const MOST_TRIAL_FILE = 3_000_000;

/** A moment with its zone, not before Burl and not to come by more than a wrong clock explains. */
export const floorMoment = () =>
  yup
    .string()
    .strict()
    .required()
    .matches(
      /^\d{4}-\d{2}-\d{2}T\d{2}:\d{2}:\d{2}(\.\d+)?Z$/,
      '${path} must be a moment like 2026-11-28T09:30:00Z',
    )
    .test('when', '${path} must be a moment between 2020 and tomorrow', (v) => {
      const at = Date.parse(v ?? '');
      return at > Date.UTC(2020, 0, 1) && at < Date.now() + 86_400_000;
    });
/** A photo or a recording, or none. */
export const floorFile = (what: 'audio' | 'image') =>
  attachedFile(
    new RegExp(`^${what}/[a-z0-9.+-]+$`),
    what === 'audio' ? 'a sound' : 'a picture',
    MOST_TRIAL_FILE,
  )
    .nullable()
    .defined();
