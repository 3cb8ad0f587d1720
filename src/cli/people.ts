import { DEMO_PEOPLE } from './demoPeople';

/** Prints where the demo runs and who can sign in. */
const address = process.argv[2] ?? 'http://localhost:3000';
const rows = DEMO_PEOPLE.map(
  (one) =>
    `  ${one.signInName.padEnd(9)} ${one.password.padEnd(15)} ${one.displayName.padEnd(17)} ${one.about}`,
);
process.stdout.write(
  `\nAble Compass: ${address}\n\nSign in with one of these (name, password):\n${rows.join('\n')}\n\n`,
);
