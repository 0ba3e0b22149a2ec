import { once } from 'node:events';
import { Worker } from 'node:worker_threads';

export interface HealthSeen {
  readonly longestMs: number;
  /** When the longest began, ms of the clock. */
  readonly at: number;
  readonly asked: number;
  readonly failed: number;
}

/** Plain JavaScript in a thread of its own: what asks for health must not wait for whoever makes the load. */
const WATCH = `const { parentPort, workerData } = require('node:worker_threads');
const seen = { longestMs: 0, at: 0, asked: 0, failed: 0 };
let going = true;
parentPort.once('message', () => (going = false));
(async () => {
  while (going) {
    const at = Date.now(), began = performance.now();
    const answer = await fetch(workerData + '/api/health').then(async (r) => (await r.text(), r.status), () => 0);
    const took = performance.now() - began;
    seen.asked++;
    if (answer !== 200) seen.failed++;
    if (took > seen.longestMs) Object.assign(seen, { longestMs: took, at });
    await new Promise((next) => setTimeout(next, 20));
  }
  parentPort.postMessage(seen);
})();`;

/** Asks a server for its health, again and again, until told to stop. */
export function watchHealth(url: string): () => Promise<HealthSeen> {
  const worker = new Worker(WATCH, { eval: true, workerData: url });
  const seen = once(worker, 'message').then(([s]) => s as HealthSeen);
  return () => {
    worker.postMessage('stop');
    return seen;
  };
}
