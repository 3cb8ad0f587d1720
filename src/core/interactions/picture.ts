import { elementsOf, numberAttribute, type XmlElement } from '../qti/xml';
import type { ContentNode } from '../item/content';
import type { ReadContext } from './types';

/** The picture a graphic interaction is about. Coordinates of its hotspots and answers are pixels of this picture. */
export interface Picture {
  /** An `img` with `src` and `alt`, as content: so it is found with the other files a question needs. */
  readonly node: ContentNode;
  readonly src: string;
  readonly alt: string;
  /** In pixels; null when the package does not say and the file itself decides. */
  readonly width: number | null;
  readonly height: number | null;
}

/** `img`, `object` or `picture` directly inside an element (QTI 3.0, "graphic interactions"). */
export function readPicture(parent: XmlElement, context: ReadContext): Picture {
  const holder = elementsOf(parent).find((child) => ['img', 'object', 'picture'].includes(child.name));
  const element = holder?.name === 'picture' ? elementsOf(holder, 'img')[0] : holder;
  const href = element?.attributes.src ?? element?.attributes.data;
  if (!element || href === undefined) {
    context.report.error('no-picture', parent.line, `<${parent.name}> has no picture to work on`);
    return { node: { kind: 'text', text: '' }, src: '', alt: '', width: null, height: null };
  }
  const type = element.attributes.type;
  if (element.name === 'object' && type !== undefined && !type.startsWith('image/'))
    context.report.error('no-picture', element.line, `an object of type ${type} is not a picture`);
  const size = (name: string) => {
    const value = numberAttribute(element, name, parseFloat(element.attributes[name] ?? ''));
    return value > 0 ? value : null;
  };
  const src = context.asset(href);
  const inside = element.children.map((child) => (child.kind === 'text' ? child.text : '')).join('');
  const alt = element.attributes.alt ?? (inside.trim() || (parent.attributes['aria-label'] ?? ''));
  if (alt === '')
    context.report.warn(
      'no-alt',
      element.line,
      'a picture has no alt text; a student who cannot see it gets nothing',
    );
  return {
    node: { kind: 'element', name: 'img', namespace: 'html', attributes: { src, alt }, children: [] },
    src,
    alt,
    width: size('width'),
    height: size('height'),
  };
}
