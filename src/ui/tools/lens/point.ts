import { pageStore } from '../../kit/pageStore';
import type { Point } from '@/core/tools/lens';

/** The place on the screen that the lens looks at, CSS pixels; null until something was pointed at. */
export const lookedAt = pageStore<Point | null>(null);
