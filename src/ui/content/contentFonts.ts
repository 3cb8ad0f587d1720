import { walkContent, type Content } from '@/core/content/content';
import { loadFaces } from '../kit/fonts';

const hasMaths = (content: Content): boolean => {
  for (const node of walkContent(content))
    if (node.kind === 'element' && node.namespace === 'math') return true;
  return false;
};

/** Fetches every font that contents may be written in. */
export const preloadFaces = (): Promise<unknown> => loadFaces(/Atkinson|Plain Zero|Noto Sans Math/);

/** Fetches the fonts that these contents are written in. */
export async function preloadFonts(contents: readonly Content[]): Promise<void> {
  await Promise.all([
    loadFaces(/Atkinson|Plain Zero/),
    ...(contents.some(hasMaths) ? [loadFaces(/Noto Sans Math/)] : []),
  ]);
}
