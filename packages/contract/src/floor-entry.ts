import * as yup from 'yup';

/** Largest photo or recording from the floor, bytes. */
export const MOST_TRIAL_FILE = 3_000_000;

/** A photo or a recording as it travels: bytes as text. */
export interface FloorFile {
  readonly name: string;
  readonly type: string;
  readonly base64: string;
}

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
  yup
    .object({
      name: yup.string().strict().required().max(200),
      type: yup
        .string()
        .strict()
        .required()
        .matches(
          new RegExp(`^${what}/[a-z0-9.+-]+$`),
          `\${path} must be ${what === 'audio' ? 'a sound' : 'a picture'}`,
        ),
      base64: yup
        .string()
        .strict()
        .required()
        .max(Math.ceil((MOST_TRIAL_FILE * 4) / 3) + 4),
    })
    .noUnknown()
    .nullable()
    .defined();
