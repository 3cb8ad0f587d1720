/** One entry of a zip's central directory. */
export interface ZipEntry {
  readonly name: string;
  /** CRC-32 of the unpacked bytes. */
  readonly crc: number;
  readonly encrypted: boolean;
}

const [END, ENTRY] = [0x06054b50, 0x02014b50];
/** The end record with the longest comment. */
const END_REACH = 22 + 65_535;

/**
 * The central directory of a zip, as written: every entry, also those whose name comes twice (which unpackers read differently).
 * Format: PKWARE APPNOTE 6.3.10, 4.3.12 and 4.3.16 (from memory).
 * @throws RangeError where there is none, it is cut off, or it needs the zip64 form that no package of our size does
 */
export function zipDirectory(bytes: Uint8Array): ZipEntry[] {
  const view = new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength);
  let end = bytes.length - 22;
  while (end >= 0 && end > bytes.length - END_REACH && view.getUint32(end, true) !== END) end -= 1;
  if (end < 0 || view.getUint32(end, true) !== END) throw new RangeError('no end of the central directory');
  const count = view.getUint16(end + 10, true);
  let at = view.getUint32(end + 16, true);
  const entries: ZipEntry[] = [];
  for (let i = 0; i < count; i += 1) {
    if (view.getUint32(at, true) !== ENTRY) throw new RangeError('the central directory is cut off');
    const length = view.getUint16(at + 28, true);
    entries.push({
      name: new TextDecoder().decode(bytes.subarray(at + 46, at + 46 + length)),
      crc: view.getUint32(at + 16, true),
      encrypted: (view.getUint16(at + 8, true) & 1) === 1,
    });
    at += 46 + length + view.getUint16(at + 30, true) + view.getUint16(at + 32, true);
  }
  return entries;
}
