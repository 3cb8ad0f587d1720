import { responseTexts } from '../../item/response';
import { defineInteraction, complete, empty, partial, type InteractionModel } from '../types';
import { readFile } from '../file';

export interface UploadModel extends InteractionModel {
  readonly type: 'upload';
  /** Media types taken, e.g. `image/png`, `image/*`; none = any. */
  readonly types: readonly string[];
}

/** Whether a media type is one of those taken. */
export function takesType(model: UploadModel, mediaType: string): boolean {
  if (model.types.length === 0) return true;
  return model.types.some((one) =>
    one.endsWith('/*') ? mediaType.startsWith(one.slice(0, -1)) : one === mediaType,
  );
}

/** `qti-upload-interaction`: a file handed in (QTI 3.0, "upload interaction"). */
export const upload = defineInteraction<UploadModel>({
  type: 'upload',
  element: 'qti-upload-interaction',
  inline: false,
  binds: [{ cardinality: 'single', baseTypes: ['file'] }],
  read(element) {
    return { types: (element.attributes.type ?? '').split(/[\s,]+/).filter(Boolean) };
  },
  progress(model, response) {
    const [text] = responseTexts(response);
    if (text === undefined) return empty('noFile');
    const file = readFile(text);
    return file && !takesType(model, file.mediaType) ? partial('wrongFile') : complete;
  },
});
