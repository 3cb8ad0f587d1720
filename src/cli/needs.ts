import { readFileSync } from 'node:fs';
import { accessNeeds } from '@/core/needs';
import { needsFromPnp, pnpFrom } from '@/core/needs/pnp';
import { pnpFromJson, pnpFromXml, PnpError, pnpToJson, pnpToXml } from '@/core/needs/pnpFiles';
import { decodeXml } from '@/core/xml/decode';
import { XmlError } from '@/core/xml/xml';
import { flag, positional, stop } from './arguments';
import { jsonAt, writeJson } from './input';

/**
 * npm run needs -- PROFILE [--out FILE]: a student’s needs from an AfA PNP file (XML or JSON), what is not ours on the error output.
 * npm run needs -- NEEDS.json --as xml|json: the other way (docs/commands.md).
 */
function main(): void {
  const [path] = positional(['as', 'out']);
  const as = flag('as');
  if (path === undefined || (as !== undefined && as !== 'xml' && as !== 'json'))
    stop('usage: npm run needs -- PROFILE.xml|PROFILE.json [--out FILE] | NEEDS.json --as xml|json', 2);
  try {
    if (as === undefined) {
      const profile = path.endsWith('.json')
        ? pnpFromJson(jsonAt(path))
        : pnpFromXml(decodeXml(readFileSync(path)));
      const { needs, notOurs } = needsFromPnp(profile);
      for (const one of notOurs) process.stderr.write(`not ours: ${one}\n`);
      writeJson(needs, flag('out'));
      return;
    }
    const read = accessNeeds.safeParse(jsonAt(path));
    if (!read.success)
      stop(
        read.error.issues.map((issue) => `${path}: ${issue.path.join('.')}: ${issue.message}`).join('\n'),
        2,
      );
    const profile = pnpFrom(read.data);
    if (as === 'json') writeJson(pnpToJson(profile), flag('out'));
    else process.stdout.write(pnpToXml(profile));
  } catch (error) {
    if (error instanceof PnpError) stop(`${path}: ${error.message}`, 2);
    if (error instanceof XmlError) stop(`${path}:${error.line}: ${error.message}`, 2);
    throw error;
  }
}

main();
