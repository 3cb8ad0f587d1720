// What Next does not build: the server as plain JavaScript (what `npm start` runs, with nothing to translate while it starts), and the
// service worker, and what runs in the frame of a portable custom interaction.
import { readFileSync, writeFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import { build } from 'esbuild';

await build({
  entryPoints: {
    server: 'src/app/server.ts',
    seed: 'src/cli/seed.ts',
    people: 'src/cli/people.ts',
    // What the server has done by a process of its own (server/child.ts).
    'package-import': 'src/cli/package-import.ts',
    'package-export': 'src/cli/package-export.ts',
    roster: 'src/cli/roster.ts',
    results: 'src/cli/results.ts',
  },
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

await build({
  entryPoints: { 'service-worker': 'src/ui/attempt/offline/worker.ts' },
  outdir: 'public',
  bundle: true,
  platform: 'browser',
  target: 'es2022',
  format: 'iife',
  minify: true,
  define: { 'process.env.NODE_ENV': '"production"' },
  logLevel: 'warning',
});

// Behind RequireJS in one file: a frame fetches nothing.
const [frame] = (
  await build({
    entryPoints: ['src/ui/interactions/portable-custom/frame.ts'],
    bundle: true,
    write: false,
    platform: 'browser',
    target: 'es2022',
    format: 'iife',
    minify: true,
    logLevel: 'warning',
  })
).outputFiles;
const require = createRequire(import.meta.url);
writeFileSync(
  'public/portable-frame.js',
  `${readFileSync(require.resolve('requirejs/require.js'), 'utf8')}\n${frame.text}`,
);
