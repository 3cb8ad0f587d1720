'use client';

import * as z from 'zod/mini';
import type { Frame } from '@/core/view/frame';
import type { KeptState } from '../attempt/kept';
import { useKept } from '../attempt/PlayerContext';
import { own } from '@/core/own';

const share = z.number().check(z.minimum(0), z.maximum(1));
const size = z.number().check(z.minimum(1), z.maximum(200));
const windows = z.object({
  /** Ids of tools whose windows are open, the uppermost last. */
  open: z.array(z.string()),
  frames: z.record(z.string(), z.object({ x: share, y: share, width: size, height: size })),
});
const WINDOWS: KeptState<z.infer<typeof windows>> = {
  schema: windows,
  initial: () => ({ open: [], frames: {} }),
};

/** The floating windows: which are open, and where each was put. Kept with the attempt. */
export function useWindows() {
  const [{ open, frames }, keep] = useKept('windows', WINDOWS);
  const without = (id: string) => open.filter((one) => one !== id);
  return {
    open,
    frameOf: (id: string): Frame | undefined => own(frames, id),
    toggle: (id: string) => keep({ open: open.includes(id) ? without(id) : [...open, id] }),
    /** Opened, or above the others where it is open. */
    show: (id: string) => keep({ open: [...without(id), id] }),
    close: (id: string) => keep({ open: without(id) }),
    /** Above the others. */
    raise: (id: string) => {
      if (open.at(-1) !== id) keep({ open: [...without(id), id] });
    },
    place: (id: string, frame: Frame) => keep({ frames: { ...frames, [id]: frame } }),
  };
}
