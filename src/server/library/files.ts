import { lstatSync, readdirSync, readFileSync, statSync } from 'node:fs';
import { join, posix, relative, sep } from 'node:path';
import { crc32 } from 'node:zlib';
import { unzipSync } from 'fflate';
import { own } from '@/core/own';
import { UnreadablePackage, type PackageFiles } from '@/core/qti/package';
import { reporterFor, type Problem } from '@/core/xml/problem';
import { zipDirectory, type ZipEntry } from './zipDirectory';

/** What a package may cost. Untrusted input: everything is limited, nothing is written to the disk. */
export const PACKAGE_LIMITS = { entries: 5_000, fileBytes: 50_000_000, totalBytes: 400_000_000 } as const;

const refuse = (file: string, code: string, message: string): never => {
  const problems: Problem[] = [];
  reporterFor(file, problems).error(code, 0, message);
  throw new UnreadablePackage(problems);
};

const isSafePath = (path: string) =>
  path !== '' &&
  !path.startsWith('/') &&
  !path.includes('\\') &&
  !path.includes('\0') &&
  posix.normalize(path) === path &&
  !path.startsWith('..');

/** A package from the bytes of a zip. @throws UnreadablePackage for a broken zip, a path that leads outside, or a limit */
export function filesOfZip(bytes: Uint8Array, name: string): PackageFiles {
  let total = 0;
  let count = 0;
  let entries: Record<string, Uint8Array>;
  const listed = directoryOf(bytes, name);
  try {
    entries = unzipSync(bytes, {
      filter: (entry) => {
        count += 1;
        total += entry.originalSize;
        if (count > PACKAGE_LIMITS.entries)
          refuse(name, 'too-large', `the zip holds more than ${PACKAGE_LIMITS.entries} files`);
        if (entry.originalSize > PACKAGE_LIMITS.fileBytes || total > PACKAGE_LIMITS.totalBytes) {
          refuse(name, 'too-large', `"${entry.name}" makes the package larger than is read`);
        }
        if (entry.name.endsWith('/')) return false;
        if (!isSafePath(entry.name))
          refuse(name, 'bad-path', `"${entry.name}" is not a path inside a package`);
        return true;
      },
    });
  } catch (error) {
    if (error instanceof UnreadablePackage) throw error;
    return refuse(name, 'not-a-zip', 'the file is not a zip that can be read');
  }
  for (const { name: path, crc } of listed) {
    const content = own(entries, path);
    if (content && crc32(content) !== crc)
      refuse(path, 'damaged', 'the file is damaged inside the zip: its check sum (CRC-32) is another');
  }
  return filesOf(new Map(Object.entries(entries)));
}

/** What the zip says it holds. Entries under one name twice would be read differently by different programs. */
function directoryOf(bytes: Uint8Array, name: string): readonly ZipEntry[] {
  let listed: readonly ZipEntry[];
  try {
    listed = zipDirectory(bytes);
  } catch {
    return refuse(name, 'not-a-zip', 'the file is not a zip that can be read');
  }
  const seen = new Set<string>();
  for (const { name: path, encrypted } of listed) {
    if (encrypted)
      refuse(path, 'encrypted', 'the file is encrypted inside the zip; pack it without a password');
    if (seen.has(path)) refuse(path, 'duplicate-file', 'the zip holds this file twice');
    seen.add(path);
  }
  return listed;
}

function filesOf(entries: ReadonlyMap<string, Uint8Array>): PackageFiles {
  return {
    paths: new Set(entries.keys()),
    read: (path) => entries.get(path) ?? new Uint8Array(),
  };
}

/** A package from an unpacked folder. Links are not followed. @throws UnreadablePackage over a limit */
export function filesOfFolder(root: string): PackageFiles {
  const sizes = new Map<string, number>();
  const walk = (folder: string): void => {
    for (const name of readdirSync(folder)) {
      const full = join(folder, name);
      const stat = lstatSync(full);
      if (stat.isDirectory()) walk(full);
      else if (stat.isFile()) sizes.set(relative(root, full).split(sep).join('/'), stat.size);
      if (sizes.size > PACKAGE_LIMITS.entries)
        refuse(root, 'too-large', `the folder holds more than ${PACKAGE_LIMITS.entries} files`);
    }
  };
  walk(root);
  return {
    paths: new Set(sizes.keys()),
    read: (path) => {
      if ((sizes.get(path) ?? 0) > PACKAGE_LIMITS.fileBytes)
        refuse(path, 'too-large', 'the file is larger than is read');
      return readFileSync(join(root, path));
    },
  };
}

/** A package from a path: a folder or a zip. @throws UnreadablePackage */
export function filesAt(path: string): PackageFiles {
  let isFolder: boolean;
  try {
    isFolder = statSync(path).isDirectory();
  } catch {
    return refuse(path, 'no-file', 'there is no such file or folder');
  }
  return isFolder ? filesOfFolder(path) : filesOfZip(readFileSync(path), path);
}
