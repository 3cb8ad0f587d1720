import nextJest from 'next/jest.js';

const createConfig = nextJest({ dir: './' });
const shared = {
  moduleNameMapper: { '^@/(.*)$': '<rootDir>/src/$1', '^@messages/(.*)$': '<rootDir>/messages/$1' },
  modulePathIgnorePatterns: ['<rootDir>/.next', '<rootDir>/.data'],
};

/** The core and the server run in node, what React draws runs in jsdom. */
const projects = [
  {
    ...shared,
    displayName: 'core',
    testEnvironment: 'node',
    testMatch: ['<rootDir>/src/{app,core,server,cli}/**/*.test.ts', '<rootDir>/content/**/*.test.ts'],
  },
  {
    ...shared,
    displayName: 'ui',
    testEnvironment: 'jsdom',
    testMatch: ['<rootDir>/src/ui/**/*.test.{ts,tsx}'],
  },
];

/** Packages that are published as modules only, which Jest has to turn into what it runs. */
const MODULES =
  'use-intl|intl-messageformat|icu-minify|@formatjs|lucide-react|mathlive|speech-rule-engine|@cortex-js|@tiptap|react-resizable-panels';

export default async () => ({
  // A busy machine is slow, not wrong; what hangs still ends.
  testTimeout: 30_000,
  projects: await Promise.all(
    projects.map(async (project) => ({
      ...(await createConfig(project)()),
      transformIgnorePatterns: [`/node_modules/(?!(${MODULES})/)`, '\\.module\\.css$'],
    })),
  ),
});
