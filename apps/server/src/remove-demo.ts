import { connect } from './store/client.ts';
import { disableDemo } from './store/demo-accounts.ts';

const connection = connect(process.env['DATABASE_URL'] ?? '');
const gone = await disableDemo(connection.db);
await connection.close();
console.log(
  gone === 0
    ? 'There are no demo accounts.'
    : `${gone} demo accounts can sign in no more. Their jobs stay; set BURL_DEMO=0 so that an empty database is not filled again.`,
);
