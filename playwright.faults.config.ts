import base from './playwright.config';

/** `npm run faults`: random kills in the middle of random work (tests/faults). */
export default { ...base, testDir: 'tests/faults', globalSetup: './tests/e2e/seedTemplate.ts' };
