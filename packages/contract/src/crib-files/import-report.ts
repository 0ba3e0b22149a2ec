import * as yup from 'yup';

/** What is wrong in a file, where a person finds it in the spreadsheet. */
export interface RowProblem {
  /** Line of the spreadsheet, the heading being the first; in JSON the entry, from 1. */
  readonly row: number;
  /** Heading of the column as it stands in the file; in JSON the field. */
  readonly column: string;
  readonly value: unknown;
  readonly allowed: string;
}

/** What a file does, or would do. */
export interface ImportReport {
  readonly rows: number;
  /** Names of those that are new, and of those that become others; not more than a person reads. */
  readonly added: readonly string[];
  readonly changed: readonly string[];
  /** `shelves` are those counted of tools that are in the crib. */
  readonly counts: { readonly added: number; readonly changed: number; readonly shelves: number };
  readonly same: number;
  readonly problems: readonly RowProblem[];
  /** Problems beyond those listed. */
  readonly more: number;
  /** Headings nobody reads. */
  readonly unread: readonly string[];
  /** Whether it was saved. */
  readonly saved: boolean;
}

/** Problems a report lists. */
export const MOST_ROW_PROBLEMS = 500;
/** Entries one file brings. */
export const MOST_ROWS = 20_000;
export const MOST_IMPORT_BYTES = 16 * 1024 * 1024;

export const importSchema = yup
  .object({
    format: yup.string().strict().oneOf(['csv', 'json']).required(),
    text: yup.string().strict().required('${path} is empty'),
    dryRun: yup.boolean().strict().required(),
  })
  .noUnknown()
  .required();
