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
