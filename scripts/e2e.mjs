// npm run test:e2e -- name: browser tests against the production build; builds first when sources changed.
import { ensureBuild, ensureChromium, node } from './setup.mjs';

const names = process.argv.slice(2).filter((one) => one !== '--screenshots');
ensureChromium();
ensureBuild();
if (process.argv.includes('--screenshots'))
  node(['node_modules/@playwright/test/cli.js', 'test', '--config', 'playwright.screenshots.config.ts']);
else node(['node_modules/@playwright/test/cli.js', 'test', ...names]);
