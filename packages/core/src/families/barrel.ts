import { carbideMill, endMillFamily } from './end-mill.ts';
import { type CutterFamily, num, type NumberField, word } from './family.ts';

const like = (key: string): NumberField => endMillFamily.fields.find((f) => f.key === key)!;
const REACH_OVER_D = 3.3;
/** Lean of a taper barrel's flank to its axis, degrees. */
const TAPER_DEG = 20;

const SHAPES = {
  tangent: { label: 'Barrel, flank along the axis', type: 'end_mill_barrel', name: 'Barrel cutter' },
  taper: { label: 'Taper barrel, flank at 20°', type: 'end_mill_barrel', name: 'Taper barrel cutter' },
  lens: { label: 'Lens, rounded end', type: 'end_mill_lens', name: 'Lens cutter' },
} as const;

/** Circle-segment mills: end mills whose flank or end is an arc much larger than they are thick. */
export const barrelFamily: CutterFamily = {
  id: 'barrel',
  name: 'Barrel, taper barrel and lens cutter, solid carbide',
  choices: [
    {
      key: 'shape',
      label: 'Shape',
      options: Object.entries(SHAPES).map(([value, { label }]) => ({ value, label })),
    },
    ...endMillFamily.choices,
  ],
  fields: [
    { ...like('diameter'), least: 3, most: 25, usual: () => 10 },
    { ...like('flutes'), most: 8, usual: () => 4 },
    {
      key: 'profile',
      label: 'Profile radius',
      unit: 'mm',
      least: 5,
      most: 2000,
      usual: (g) => (word(g, 'shape') === 'lens' ? 4 : 8) * num(g, 'diameter'),
      rule: 'eight diameters on a flank, four on an end',
    },
    {
      key: 'corner',
      label: 'Corner radius, RE',
      unit: 'mm',
      least: 0.1,
      most: 8,
      usual: (g) => 0.1 * num(g, 'diameter'),
      rule: 'a tenth of the diameter',
    },
  ],
  build(g) {
    const d = num(g, 'diameter');
    const shape = SHAPES[word(g, 'shape') as keyof typeof SHAPES];
    const length = 1.6 * d;
    const reach = Math.max(REACH_OVER_D * d, length + 2);
    const built = carbideMill({ ...g, length, reach }, reach);
    const { cutter } = built;
    const profile = num(g, 'profile');
    const id = `${word(g, 'shape')}-${String(d)}-r${String(profile)}-z${String(num(g, 'flutes'))}-${word(g, 'ground')}`;
    return {
      ...built,
      cutter: {
        ...cutter,
        id,
        name: `${shape.name} ${String(d)} mm, profile R ${String(profile)}, ${String(num(g, 'flutes'))} flutes, ${endMillFamily.choices[0]!.options.find((o) => o.value === word(g, 'ground'))!.label.toLowerCase()}`,
        type: shape.type,
        properties: {
          ...cutter.properties,
          PRFRAD: profile,
          RE: num(g, 'corner'),
          ...(word(g, 'shape') === 'taper' && { TA: TAPER_DEG }),
        },
        note: 'sensitive to an error of tilt',
      },
    };
  },
};
