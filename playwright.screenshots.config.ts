import base from './playwright.config';

/** `npm run screenshots`: the pictures of docs/screenshots/, from the demo data. */
export default {
  ...base,
  testDir: 'tests/screenshots',
  globalSetup: './tests/e2e/seedTemplate.ts',
  workers: 1,
};
