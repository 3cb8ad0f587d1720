import type { UploadModel } from '@/core/interactions/upload';
import { fileText } from '@/core/interactions/file';
import { lessonOf } from '../lesson';

/** What "How to answer" shows of this interaction. */
export const lesson = lessonOf<UploadModel>(
  { type: 'upload', types: [] },
  { cardinality: 'single', baseType: 'file' },
  [null, fileText({ name: 'log.txt', mediaType: 'text/plain', data: 'dGlkZQ==' })],
  'own',
);
