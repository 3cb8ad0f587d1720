import { XmlError } from './xml';

/** The encoding of XML bytes: by their mark, by the zero bytes around `<`, else UTF-8 (XML 1.0, appendix F). */
function encodingOf(bytes: Uint8Array): 'utf-8' | 'utf-16le' | 'utf-16be' {
  const [a, b] = bytes;
  if ((a === 0xff && b === 0xfe) || (a === 0x3c && b === 0)) return 'utf-16le';
  if ((a === 0xfe && b === 0xff) || (a === 0 && b === 0x3c)) return 'utf-16be';
  return 'utf-8';
}

/**
 * The text of an XML file: UTF-8 or UTF-16, as every XML reader knows them.
 * @throws XmlError when the file declares another encoding, or its bytes are not what it says
 */
export function decodeXml(bytes: Uint8Array): string {
  const encoding = encodingOf(bytes);
  let text: string;
  try {
    text = new TextDecoder(encoding, { fatal: true }).decode(bytes);
  } catch {
    throw new XmlError(`the file is not ${encoding === 'utf-8' ? 'UTF-8' : 'UTF-16'} text`, 0);
  }
  const declared = /^<\?xml[^>]*\bencoding\s*=\s*["']([^"']*)["']/.exec(text)?.[1];
  if (declared === undefined) return text;
  const fits = encoding === 'utf-8' ? /^(utf-?8|us-ascii)$/i : /^utf-?16(le|be)?$/i;
  if (!fits.test(declared))
    throw new XmlError(`the encoding "${declared}" is not read; write the file as UTF-8 and say so`, 1);
  return text;
}
