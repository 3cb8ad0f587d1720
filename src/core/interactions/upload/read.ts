import { type UploadModel, upload } from './index';
import { defineReader } from '../reading';

/** Reads `qti-upload-interaction`. */
export const uploadReader = defineReader<UploadModel>({
  kind: upload,
  element: 'qti-upload-interaction',
  binds: [{ cardinality: 'single', baseTypes: ['file'] }],
  read(element) {
    return { types: (element.attributes.type ?? '').split(/[\s,]+/).filter(Boolean) };
  },
});
