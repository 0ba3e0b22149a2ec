import { CURRENCY, RATE_FIELDS, type ShopRates } from '@burl/core';
import * as yup from 'yup';
import { version } from './version.ts';

/** Rates with the version they were read at. */
export interface KeptRates {
  readonly rates: ShopRates;
  readonly version: number;
}

const MOST_MACHINES = 2000;

const ratesSchema: yup.Schema<ShopRates> = yup
  .object({
    currency: yup.string().strict().required().matches(CURRENCY, '${path} must be three letters like EUR'),
    ...Object.fromEntries(
      RATE_FIELDS.map((f) => [f.key, yup.number().strict().min(f.least).max(f.most).required()]),
    ),
    byMachine: yup
      .object()
      .required()
      .test('rates', '${path} must be money an hour by machine, above 0', (value) => {
        const all = Object.values(value as Record<string, unknown>);
        return (
          all.length <= MOST_MACHINES && all.every((v) => typeof v === 'number' && v >= 0.01 && v <= 1e6)
        );
      }),
  })
  .noUnknown()
  .required() as never;

export const keptRatesSchema: yup.Schema<KeptRates> = yup
  .object({ rates: ratesSchema, version: version() })
  .noUnknown()
  .required();
