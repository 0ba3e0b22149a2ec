import { connect } from 'node:net';
import type { HeldServer } from './held-server.ts';
import { watchHealth } from './health-watch.ts';
import { below, none, type Row } from './row.ts';

const REQUEST =
  'POST /api/session HTTP/1.1\r\nHost: burl\r\nContent-Type: application/json\r\nContent-Length: 300\r\n\r\n{"email":"';
const ALLOWED_S = 35;

/** Bodies that stop half-way: each connection has to be closed by the server, and others served meanwhile. */
export async function holdHalfSent(server: HeldServer, count: number): Promise<Row[]> {
  const { port, hostname } = new URL(server.url);
  const began = performance.now();
  const open: string[] = [];
  const closing = Array.from(
    { length: count },
    (_, i) =>
      new Promise<number>((done) => {
        const socket = connect(Number(port), hostname, () => socket.write(REQUEST));
        const timer = setTimeout(
          () => {
            open.push(`connection ${i}`);
            socket.destroy();
          },
          (ALLOWED_S + 10) * 1000,
        );
        socket.on('error', () => undefined);
        socket.on('data', () => undefined);
        socket.on('close', () => {
          clearTimeout(timer);
          done((performance.now() - began) / 1000);
        });
      }),
  );
  const health = watchHealth(server.url);
  const last = Math.max(...(await Promise.all(closing)));
  const seen = await health();
  return [
    below(`${count} bodies half sent: the last closed after`, last, ALLOWED_S, 's'),
    none('left open', open, `${count}`),
    // Five hundred that end in the same instant are felt, for an instant.
    below('health meanwhile, longest', seen.longestMs, 1000, 'ms'),
  ];
}
