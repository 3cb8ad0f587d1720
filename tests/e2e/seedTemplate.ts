import { execFileSync } from 'node:child_process';
import { mkdtempSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';

/** Seeds the demo once, through the real importer; every test copies the result. */
export default function seedTemplate(): void {
  const folder = mkdtempSync(join(tmpdir(), 'able-template-'));
  execFileSync(process.execPath, ['node_modules/tsx/dist/cli.mjs', 'src/cli/seed.ts'], {
    env: { ...process.env, ABLE_DATA_DIR: folder },
    stdio: 'inherit',
  });
  process.env.ABLE_TEMPLATE = folder;
}
