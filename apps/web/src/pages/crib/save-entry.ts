import type { CribDocuments, CribEntry, CribKind, Stock } from '@burl/contract';
import { mutate } from 'swr';
import { call } from '../../api/client.ts';

type Document = CribDocuments[CribKind];
/** A document as the wire takes it: a tree that the schema of its kind reads. */
const asTree = (document: Document): { [key: string]: unknown } =>
  document as unknown as { [key: string]: unknown };

/** What shows an entry reads it again. */
export const readAgain = async (kind: CribKind, id: string): Promise<void> => {
  await Promise.all([mutate('/api/crib'), mutate(`/api/crib/${kind}/${id}/history`)]);
};

/** Puts a changed document over a version of an entry. Throws an ApiError; its status is 409 where somebody was faster. */
export const putEntry = (
  kind: CribKind,
  { id, version }: Pick<CribEntry, 'id' | 'version'>,
  document: Document,
  reason = '',
): Promise<unknown> =>
  call(
    'PUT',
    `/api/crib/${kind}/:entry`,
    { entry: id },
    { version, document: asTree(document), ...(reason.trim() ? { reason: reason.trim() } : {}) },
  );

/** Puts an entry in the crib. Returns its id; throws an ApiError. */
export async function keepNew(kind: CribKind, document: Document, madeBy: string): Promise<string> {
  const entry = await call('POST', `/api/crib/${kind}/new`, {}, { document: asTree(document), madeBy });
  await mutate('/api/crib');
  return entry.id;
}

/** A shelf nobody counted. */
export const uncounted = (cutterId: string): Stock => ({
  cutterId,
  edges: 0,
  place: '',
  price: null,
  version: 0,
});

/** Says what lies on a shelf now. Throws an ApiError; its status is 409 where somebody was faster. */
export const putOnShelf = (
  { cutterId, ...known }: Stock,
  change: Partial<Pick<Stock, 'edges' | 'place' | 'price'>>,
  reason?: string,
): Promise<Stock> =>
  call(
    'PUT',
    '/api/crib/cutters/:entry/stock',
    { entry: cutterId },
    { ...known, ...change, ...(reason ? { reason } : {}) },
  );

/** Edges a shelf can hold. */
export const edgesOf = (typed: number): number => Math.max(0, Math.round(typed));
