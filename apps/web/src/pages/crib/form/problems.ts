import { type CribKind, fieldAt, problemsFromYup } from '@burl/contract';
import { CRIB_SCHEMAS } from '@burl/contract/crib-schema';
import { ValidationError } from 'yup';

const LACKS = /required field|must be defined|cannot be null|at least \d+ items/;

/** What is wrong in a document, by the path of the field a person sees it at; what belongs to no field stands under ''. */
export function problemsOf(kind: CribKind, document: unknown): ReadonlyMap<string, string> {
  const found = new Map<string, string>();
  try {
    CRIB_SCHEMAS[kind].validateSync(document, { strict: true, abortEarly: false });
  } catch (error) {
    if (!(error instanceof ValidationError)) throw error;
    for (const { field, value, allowed } of problemsFromYup(error).problems) {
      const at = fieldAt(kind, field)?.path ?? '';
      const lacking = value === undefined || value === null || value === '' || LACKS.test(allowed);
      // What yup says by itself names the key, which nobody here knows.
      const range = LACKS.test(allowed) ? '' : allowed.replace(field, '').replace(/^must be /, '');
      const said = [lacking ? 'needed' : 'allowed', range].filter(Boolean).join(': ');
      if (!found.has(at))
        found.set(at, at === '' ? `${field.replaceAll('.', ', ').replaceAll('_', ' ')}: ${said}` : said);
    }
  }
  return found;
}
