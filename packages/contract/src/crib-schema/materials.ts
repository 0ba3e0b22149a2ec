import * as yup from 'yup';
import { within } from '../within.ts';
import { text, texts, thing, numbers } from './parts.ts';

/** What a cutter is made of, and what it is coated with. */
export const substrateSchema = thing({
  name: text(),
  E_gpa: within(10, 1300, 'GPa'),
  transverse_rupture_mpa: numbers(3, 10, 20_000, 'MPa'),
  density_kg_m3: within(500, 25_000, 'kg/m³'),
  poisson: within(0.01, 0.49),
  thermal_conductivity_w_mk: within(0.1, 2500, 'W/m·K').optional(),
});
export const coatingSchema = thing({
  name: text(),
  max_service_c: within(20, 3000, '°C'),
  good_for: texts(),
  avoid_for: texts(),
  adds_edge_radius_um: within(0, 200, 'µm'),
});

/** A list of things by their ids, each as said. */
export const keyed = (schema: yup.ObjectSchema<Record<string, unknown>>): yup.Schema =>
  yup.lazy((value: unknown) =>
    typeof value === 'object' &&
    value !== null &&
    !Array.isArray(value) &&
    Object.keys(value).length <= MOST_MATERIALS
      ? yup.object(Object.fromEntries(Object.keys(value).map((id) => [id, schema]))).required()
      : yup
          .object()
          .required()
          .test('few', `\${path} may hold ${MOST_MATERIALS} entries`, () => false),
  ) as never;

/** Materials a file may bring. */
const MOST_MATERIALS = 100;
