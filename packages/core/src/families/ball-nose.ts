import { carbideMill, endMillFamily } from './end-mill.ts';
import { type Built, type CutterFamily, type Given, num, type NumberField, tidy } from './family.ts';
import { inId, lengthsOf, shankFor } from './solid-tool.ts';

const like = (key: string): NumberField => endMillFamily.fields.find((f) => f.key === key)!;
const REACH_OVER_D = 3.3;

/** A ball on a cone: as thick at its neck as half way up it, on the shank its top asks for. */
function tapered({ cutter, followed }: Built, g: Given): Built {
  const taper = num(g, 'taper');
  const p = cutter.properties;
  const [ball, edge, reach] = [p.DC ?? 0, p.APMX ?? 0, p.LU ?? 0];
  const wider = (heightMm: number): number => ball + 2 * heightMm * Math.tan((taper * Math.PI) / 180);
  const shank = shankFor(wider(reach));
  return {
    followed,
    cutter: {
      ...cutter,
      id: `taper-${cutter.id}-a${inId(taper)}`,
      name: cutter.name.replace('Ball-nose end mill', `Taper ball-nose end mill ${taper}° a side,`),
      properties: {
        ...p,
        ...lengthsOf(shank, reach),
        DCONMS: shank,
        DN: tidy(Math.min(shank, wider((edge + reach) / 2))),
        TA: taper,
      },
    },
  };
}

/** Ball-nose end mills: end mills whose corner radius is half their diameter. */
export const ballNoseFamily: CutterFamily = {
  id: 'ball-nose',
  name: 'Ball-nose end mill, solid carbide',
  choices: endMillFamily.choices,
  fields: [
    { ...like('diameter'), most: 25, usual: () => 6 },
    { ...like('flutes'), most: 6, usual: () => 2 },
    { ...like('length'), usual: (g) => 1.35 * num(g, 'diameter'), rule: '1.35×D' },
    { ...like('reach'), usual: (g) => REACH_OVER_D * num(g, 'diameter'), rule: '3.3×D' },
    {
      key: 'taper',
      label: 'Taper a side',
      unit: 'deg',
      least: 0,
      most: 20,
      usual: () => 0,
      rule: 'none: its shank is straight',
    },
  ],
  build(g) {
    const built = carbideMill(
      { ...g, corner: num(g, 'diameter') / 2 },
      Math.max(REACH_OVER_D * num(g, 'diameter'), num(g, 'length') + 2),
    );
    return num(g, 'taper') > 0 ? tapered(built, g) : built;
  },
};
