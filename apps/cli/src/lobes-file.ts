import { type ChatterCut, InputError, limitDepth, type PeriodicLimit, type TipMode } from '@burl/core';
import { problemsFromYup } from '@burl/contract';
import * as yup from 'yup';

const amount = (): yup.NumberSchema<number> => yup.number().strict().required().positive();
const modes = (): yup.ArraySchema<TipMode[] | undefined, yup.AnyObject, '', ''> =>
  yup
    .array()
    .of(
      yup
        .object({
          hz: amount(),
          damping: yup.number().strict().required().moreThan(0).lessThan(1),
          stiffness: amount(),
        })
        .required(),
    )
    .default([]) as never;

/** Modes and a cut: angles in degrees, coefficients in N/mm², stiffness in N/m. */
const schema = yup
  .object({
    name: yup.string().strict().defined(),
    modes: yup.object({ x: modes(), y: modes() }).required(),
    cut: yup
      .object({
        pitchDeg: yup.array().of(amount()).min(1).required(),
        entryDeg: yup.number().strict().required().min(0).max(180),
        exitDeg: yup.number().strict().required().min(0).max(180),
        tangential: amount(),
        radial: yup.number().strict().required().min(0),
        diameterMm: amount(),
        helixDeg: yup.number().strict().min(0).max(70),
        dampingNPerM: yup.number().strict().min(0),
      })
      .required(),
    rpm: yup.array().of(amount()).min(1).required(),
  })
  .required();

const RAD = Math.PI / 180;

/** The border of a file. */
export interface Border {
  readonly name: string;
  readonly border: readonly (PeriodicLimit & { readonly rpm: number })[];
}

/** Border of stability at the speeds a file names. Throws InputError naming what is wrong in it. */
export function borderOfFile(text: string): Border {
  let data: unknown;
  try {
    data = JSON.parse(text);
  } catch {
    throw new InputError([{ field: 'FILE', value: text.slice(0, 30), allowed: 'JSON' }]);
  }
  let file: yup.InferType<typeof schema>;
  try {
    file = schema.validateSync(data, { abortEarly: false });
  } catch (error) {
    if (error instanceof yup.ValidationError) throw problemsFromYup(error);
    throw error;
  }
  const { pitchDeg, entryDeg, exitDeg, helixDeg = 0, dampingNPerM = 0, ...rest } = file.cut;
  const cut: ChatterCut = {
    ...rest,
    dampingNPerM,
    pitch: pitchDeg.map((p) => p * RAD),
    helix: pitchDeg.map(() => helixDeg * RAD),
    entry: entryDeg * RAD,
    exit: exitDeg * RAD,
  };
  const tip = { x: file.modes.x ?? [], y: file.modes.y ?? [] };
  return { name: file.name, border: file.rpm.map((rpm) => ({ rpm, ...limitDepth(cut, tip, rpm) })) };
}

/** The border as a table. */
export function borderText({ name, border }: Border): string {
  const cell = (v: number | null, digits: number): string => (v === null ? 'none' : v.toFixed(digits));
  const rows = border.map((b) =>
    [b.rpm.toFixed(0), cell(b.depthMm, 3), cell(b.overviewMm, 3), cell(b.hz, 0), b.kind ?? '']
      .map((c) => c.padStart(10))
      .join(''),
  );
  return [
    name,
    ['rpm', 'depth mm', 'overview', 'Hz', 'kind'].map((c) => c.padStart(10)).join(''),
    ...rows,
    'depth: periodic solution; overview: averaged cut; flip: the wave comes round every second tooth',
  ].join('\n');
}
