'use client';

import { SHEET_LAYERS } from '../tools';
import type { SheetLayerProps } from '../tools/types';
import { useAttempt } from '../attempt/PlayerContext';
import { useIsHere } from '../tools/useIsHere';

interface Props extends SheetLayerProps {
  /** Which question the text belongs to; the one on the screen where none is named. */
  readonly itemRef?: string;
  /** Which layers lie here; all of them where nothing is said. */
  readonly has?: (layer: (typeof SHEET_LAYERS)[number]) => boolean;
}

/** What the tools of this question lay over a text; it belongs at the end of the text's box. */
export function TextLayers({ itemRef, has = () => true, ...text }: Props) {
  const isHere = useIsHere(itemRef);
  const elsewhere = useAttempt(({ current }) => itemRef !== undefined && itemRef !== current);
  return SHEET_LAYERS.filter((layer) => has(layer) && isHere(layer.tool) && !(layer.one && elsewhere)).map(
    ({ tool, Layer }) => <Layer key={tool.id} {...text} />,
  );
}
