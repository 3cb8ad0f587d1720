import type { Content, ContentNode } from '../content/content';

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

/** A picture whose content was changed. */
export function mapPicture(picture: Picture, change: (content: Content) => Content): Picture {
  const [node = picture.node] = change([picture.node]);
  return { ...picture, node };
}
