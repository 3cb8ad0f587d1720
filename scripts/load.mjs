// npm run load: a whole school takes a test at once. Measures; no part of CI. `npm run load -- --students 200 --minutes 1` is a short one.
import { ensureBuild, ensureDependencies, node } from './setup.mjs';

ensureDependencies();
ensureBuild();
node(['node_modules/tsx/dist/cli.mjs', 'bench/load.mts', ...process.argv.slice(2)]);
