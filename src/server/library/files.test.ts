import { zipSync, strToU8 } from 'fflate';
import { readPackage, UnreadablePackage } from '@/core/qti/package';
import { filesAt, filesOfZip } from './files';

test('a zip and its unpacked folder are the same package', () => {
  const folder = filesAt('content/skerry-sound-grade-6');
  const zip = filesOfZip(
    zipSync(Object.fromEntries([...folder.paths].map((path) => [path, folder.read(path)]))),
    'a.zip',
  );
  expect([...readPackage(zip).items.keys()].sort()).toEqual([...readPackage(folder).items.keys()].sort());
});
test.each([['../evil.xml'], ['/etc/passwd'], ['a\\..\\b.xml']])(
  'a zip that leads outside with %s is refused',
  (path) => {
    expect(() => filesOfZip(zipSync({ [path]: strToU8('x') }), 'a.zip')).toThrow(UnreadablePackage);
  },
);
test('what is no zip, or not there, is refused with a reason', () => {
  expect(() => filesOfZip(strToU8('hello'), 'a.zip')).toThrow(/not a zip/);
  expect(() => filesAt('/no/such/package')).toThrow(/no such file/);
});

describe('a zip that different programs would read differently is refused', () => {
  const twice = () => {
    const one = zipSync({ 'a.xml': strToU8('first'), 'b.xml': strToU8('other') });
    // Both names in the directory at the end and before the data.
    return Uint8Array.from(
      Buffer.from(Buffer.from(one).toString('latin1').replaceAll('b.xml', 'a.xml'), 'latin1'),
    );
  };
  const flipped = (at: (bytes: Buffer) => number, bit: number) => {
    const bytes = Buffer.from(zipSync({ 'a.xml': strToU8('first') }, { level: 0 }));
    const place = at(bytes);
    bytes.writeUInt8(bytes.readUInt8(place) ^ bit, place);
    return bytes;
  };
  const directory = (bytes: Buffer) => bytes.indexOf(Buffer.from([0x50, 0x4b, 1, 2]));
  test.each([
    ['the same name twice', twice(), 'duplicate-file', 'a.xml'],
    [
      'other bytes than the check sum says',
      flipped((bytes) => bytes.indexOf('first'), 1),
      'damaged',
      'a.xml',
    ],
    ['an encrypted file', flipped((bytes) => directory(bytes) + 8, 1), 'encrypted', 'a.xml'],
    ['a directory cut off', flipped(directory, 1), 'not-a-zip', 'p.zip'],
    ['no end', zipSync({ 'a.xml': strToU8('first') }).subarray(0, 40), 'not-a-zip', 'p.zip'],
  ])('%s', (_what, bytes, code, file) => {
    let problems: unknown;
    try {
      filesOfZip(bytes, 'p.zip');
    } catch (error) {
      if (!(error instanceof UnreadablePackage)) throw error;
      problems = error.problems;
    }
    expect(problems).toMatchObject([{ code, file }]);
  });
});
