import { z } from 'zod';

/** One opened page. */
export const device = z.string().min(1).max(100);
