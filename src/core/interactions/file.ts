/**
 * A file as an answer: a data URL (RFC 2397) with its name as a parameter, `data:image/png;name=map.png;base64,…`, so
 * that it travels and is kept like every other answer.
 */
export interface AnswerFile {
  readonly name: string;
  readonly mediaType: string;
  /** Base64. */
  readonly data: string;
}

/** Largest file taken, in bytes: a photograph of a page; base64 makes it a third longer on its way. */
export const MAX_FILE_BYTES = 2_000_000;

const DATA_URL = /^data:([\w.+-]+\/[\w.+-]+)((?:;[\w-]+=[^;,]*)*);base64,([A-Za-z\d+/=]*)$/;

/** The file a text holds; null when the text is no such data URL (another system's file name, say). */
export function readFile(text: string): AnswerFile | null {
  const [, mediaType, parameters, data] = DATA_URL.exec(text) ?? [];
  if (mediaType === undefined || data === undefined) return null;
  const name = /;name=([^;,]*)/.exec(parameters ?? '')?.[1] ?? '';
  try {
    return { name: decodeURIComponent(name), mediaType, data };
  } catch {
    return { name, mediaType, data };
  }
}

export const fileText = ({ name, mediaType, data }: AnswerFile): string =>
  `data:${mediaType};name=${encodeURIComponent(name)};base64,${data}`;

/** Bytes a base64 text stands for. */
export const bytesIn = (data: string): number =>
  Math.floor((data.length * 3) / 4) - (data.endsWith('==') ? 2 : data.endsWith('=') ? 1 : 0);
