import { defineKind, complete, empty, partial, type InteractionBase, type Said } from '../types';
import { responseTexts } from '../../content/response';
import { readFile } from '../file';
import { isWhatItSays } from './bytes';

declare module '@/core/content/interaction' {
  interface InteractionModels {
    upload: UploadModel;
  }
}

export interface UploadModel extends InteractionBase {
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
export const upload = defineKind<UploadModel>({
  type: 'upload',
  inline: false,
  progress(model, response) {
    const [text = ''] = responseTexts(response);
    if (text.trim() === '') return empty('noFile');
    const file = readFile(text);
    return file && !(takesType(model, file.mediaType) && isWhatItSays(file))
      ? partial('wrongFile')
      : complete;
  },
  said: (_model, response) =>
    responseTexts(response).flatMap((text): Said[] => {
      const file = readFile(text);
      return file ? [{ code: 'file', values: { name: file.name } }] : [];
    }),
  fault(_model, texts) {
    const files = texts.map(readFile);
    return files.every((file) => file !== null && isWhatItSays(file)) ? null : 'impossible';
  },
});
