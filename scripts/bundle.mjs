// The server as plain JavaScript: what `npm start` runs, with nothing to translate while it starts.
import { build } from 'esbuild';

await build({
  entryPoints: { server: 'src/app/server.ts', seed: 'src/cli/seed.ts', people: 'src/cli/people.ts' },
  outdir: '.next/able',
  outExtension: { '.js': '.mjs' },
  bundle: true,
  platform: 'node',
  target: 'node20',
  format: 'esm',
  packages: 'external',
  sourcemap: 'linked',
  logLevel: 'warning',
});
