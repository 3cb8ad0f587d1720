// npm run test:e2e -- name: browser tests against the production build; builds first when sources changed. npm run screenshots and
// npm run faults are the same with another configuration.
import { ensureBuild, ensureChromium, node } from './setup.mjs';

const OTHERS = {
  '--screenshots': 'playwright.screenshots.config.ts',
  '--faults': 'playwright.faults.config.ts',
};
const given = process.argv.slice(2);
const other = given.find((one) => Object.hasOwn(OTHERS, one));
ensureChromium();
ensureBuild();
node([
  'node_modules/@playwright/test/cli.js',
  'test',
  ...(other ? ['--config', OTHERS[other]] : []),
  ...given.filter((one) => one !== other),
]);
