// npm run bench: measures; no part of CI. Each ratio is against a bare baseline in the same run.
import { ensureBuild, ensureChromium, ensureDependencies, node, say } from './setup.mjs';

ensureDependencies();
ensureChromium();
ensureBuild();
say('scoring, equivalence, import');
node(['node_modules/tsx/dist/cli.mjs', 'bench/core.ts']);
say(
  'what the adults look at, for ten thousand attempts and a room of 200, against the bare queries (three minutes)',
);
node(['node_modules/tsx/dist/cli.mjs', 'bench/adults.ts']);
say('saving, against a bare Node server doing the same insert');
node(['node_modules/tsx/dist/cli.mjs', 'bench/saving.mts']);
say('question screen, processor slowed four times');
node(['node_modules/tsx/dist/cli.mjs', 'bench/screen.mts']);
say('tools, processor slowed four times, against bare elements that do as much');
node(['node_modules/tsx/dist/cli.mjs', 'bench/tools.mts']);
