import { type MediaModel, media } from './index';
import { defineReader } from '../reading';
import { booleanAttribute, elementsOf, numberAttribute } from '../../xml/xml';

/** Reads `qti-media-interaction`. */
export const mediaReader = defineReader<MediaModel>({
  kind: media,
  element: 'qti-media-interaction',
  binds: [{ cardinality: 'single', baseTypes: ['integer'] }],
  read(element, context) {
    const players = elementsOf(element).filter((child) =>
      ['audio', 'video', 'object', 'img'].includes(child.name),
    );
    const content = players
      .slice(0, 1)
      .flatMap((child) => [...context.content({ ...element, children: [child] })]);
    if (content.length === 0)
      context.report.error('no-media', element.line, 'a media interaction has nothing to play');
    return {
      content,
      minPlays: numberAttribute(element, 'min-plays', 0),
      maxPlays: numberAttribute(element, 'max-plays', 0),
      loop: booleanAttribute(element, 'loop', false),
    };
  },
});
