// npm run demo: sets everything up on a fresh machine and starts the app. Says what it does while it does it.
import { rmSync } from 'node:fs';
import { dataDir, ensureBuild, ensureDependencies, node, say } from './setup.mjs';

const fresh = process.argv.includes('--fresh');
const port = process.env.PORT ?? '3000';
const address = `http://localhost:${port}`;

ensureDependencies();
if (fresh) {
  say(`beginning anew: ${dataDir} is emptied`);
  for (const ending of ['', '-wal', '-shm'])
    rmSync(`${dataDir}/able-compass.sqlite${ending}`, { force: true });
}
ensureBuild();
say('database and demo data');
node(['.next/able/seed.mjs']);
say(`starting on ${address} (stop with Ctrl+C)`);
node(['.next/able/people.mjs', address]);
node(['.next/able/server.mjs', '--port', port], {
  mayStop: true,
  env: { NODE_ENV: 'production' },
});
