import { isWhatItSays } from './bytes';

/**
 * First bytes from the formats' own standards: JPEG (ITU-T T.81, SOI and APP0 of JFIF), PNG (ISO/IEC 15948, 5.2), GIF89a (section
 * 17), PDF (ISO 32000-1, 7.5.2), ZIP (APPNOTE 4.3.7), RIFF WAVE.
 */
const JPEG = [0xff, 0xd8, 0xff, 0xe0, 0, 0x10, 0x4a, 0x46, 0x49, 0x46, 0];
const PNG = [0x89, 0x50, 0x4e, 0x47, 0x0d, 0x0a, 0x1a, 0x0a];
const GIF = [...Buffer.from('GIF89a')];
const PDF = [...Buffer.from('%PDF-1.7')];
const ZIP = [0x50, 0x4b, 3, 4, 20, 0];
const WAVE = [...Buffer.from('RIFF\0\0\0\0WAVEfmt ')];
const TEXT = [...Buffer.from('The tide was low at six.')];
const says = (mediaType: string, bytes: readonly number[]) =>
  isWhatItSays({ name: 'x', mediaType, data: Buffer.from(bytes).toString('base64') });

test.each([
  ['image/jpeg', JPEG],
  ['image/png', PNG],
  ['image/gif', GIF],
  ['application/pdf', PDF],
  ['application/vnd.openxmlformats-officedocument.wordprocessingml.document', ZIP],
  ['audio/wav', WAVE],
  ['text/plain', TEXT],
  ['text/csv', TEXT],
  ['application/x-of-another-system', PNG],
  ['audio/x-of-another-system', TEXT],
])('%s is taken', (mediaType, bytes) => {
  expect(says(mediaType, bytes)).toBe(true);
});
test.each([
  ['image/jpeg', TEXT],
  ['image/jpeg', PNG],
  ['image/png', []],
  ['application/pdf', TEXT],
  ['audio/wav', PNG],
  ['text/plain', JPEG.concat(0)],
])('%s with something else inside is not', (mediaType, bytes) => {
  expect(says(mediaType, bytes)).toBe(false);
});
