import { carbideMill, endMillFamily } from './end-mill.ts';
import { type CutterFamily, num, type NumberField } from './family.ts';

const like = (key: string): NumberField => endMillFamily.fields.find((f) => f.key === key)!;
const REACH_OVER_D = 3.3;

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
  ],
  build: (g) =>
    carbideMill(
      { ...g, corner: num(g, 'diameter') / 2 },
      Math.max(REACH_OVER_D * num(g, 'diameter'), num(g, 'length') + 2),
    ),
};
