import { type CribKind, fieldAt, problemsFromYup } from '@burl/contract';
import { CRIB_SCHEMAS } from '@burl/contract/crib-schema';
import { ValidationError } from 'yup';

/** What is wrong in a document, by the path of the field a person sees it at; what belongs to no field stands under ''. */
export function problemsOf(kind: CribKind, document: unknown): ReadonlyMap<string, string> {
  const found = new Map<string, string>();
  try {
    CRIB_SCHEMAS[kind].validateSync(document, { strict: true, abortEarly: false });
  } catch (error) {
    if (!(error instanceof ValidationError)) throw error;
    for (const { field, value, allowed } of problemsFromYup(error).problems) {
      const at = fieldAt(kind, field)?.path ?? '';
      const said =
        value === undefined || value === null || value === '' ? `needed: ${allowed}` : `allowed: ${allowed}`;
      if (!found.has(at))
        found.set(at, at === '' ? `${field.replaceAll('.', ', ').replaceAll('_', ' ')}: ${said}` : said);
    }
  }
  return found;
}
