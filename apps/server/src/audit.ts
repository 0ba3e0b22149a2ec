import { connect } from './store/client.ts';
import { verifyTrail } from './store/audit-trail.ts';

const connection = connect(process.env['DATABASE_URL'] ?? '');
const { events, broken, head } = await verifyTrail(connection.db);
await connection.close();
for (const b of broken) console.error(b);
console.log(
  broken.length === 0
    ? `${events} events, each as it was written. Last link: ${head ?? 'none'}`
    : `${broken.length} of ${events} events are not as they were written.`,
);
process.exitCode = broken.length === 0 ? 0 : 1;
