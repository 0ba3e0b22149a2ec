import * as yup from 'yup';

/** A photo or a recording as it travels: bytes as text. */
export interface AttachedFile {
  readonly name: string;
  readonly type: string;
  readonly base64: string;
}

/** A file of the types a pattern takes, up to so many bytes; `kind` says in words what it must be. */
export const attachedFile = (types: RegExp, kind: string, most: number) =>
  yup
    .object({
      name: yup.string().strict().required().max(200),
      type: yup.string().strict().required().matches(types, `\${path} must be ${kind}`),
      base64: yup
        .string()
        .strict()
        .required()
        .max(Math.ceil((most * 4) / 3) + 4),
    })
    .noUnknown();
