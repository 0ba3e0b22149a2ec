import type { FastifyReply } from 'fastify';

/** A photo or a recording somebody took: kept by no cache and never shown as a page. */
export function privateFile(
  reply: FastifyReply,
  { bytes, type, name }: { readonly bytes: Buffer; readonly type: string; readonly name: string },
): Buffer {
  reply
    .header('content-type', type)
    // Somebody's voice or face may be in it.
    .header('cache-control', 'private, no-store')
    .header('content-disposition', `attachment; filename*=UTF-8''${encodeURIComponent(name)}`);
  return bytes;
}
