import type { ZodMiniType } from 'zod/mini';
import type { AttemptState } from '@/core/attempt/state';
import type { AccessNeeds } from '@/core/needs';
import { own } from '@/core/own';
import type { SchemeId } from '@/core/view/schemes';

/** What a tool or a part of the screen keeps, as plain JSON. */
export type Kept = Readonly<Record<string, unknown>>;

/** How the whole page looks. */
export interface PageLook {
  readonly scheme: SchemeId;
  readonly magnification: number;
  /** The colors of pictures turned around. */
  readonly inverted: boolean;
}

/** What somebody keeps in an attempt, and how it is read back. */
export interface KeptState<State extends Kept = Kept> {
  /** What was kept, as read back. What does not fit gives `initial`, never an error in front of a student. */
  readonly schema: ZodMiniType<State>;
  /** How it begins for a student: what a teacher has set is already on. */
  initial(needs: AccessNeeds): State;
}

/** What an owner keeps in an attempt, read by its schema; what does not fit gives how it begins. */
export function readKept<State extends Kept>(
  kept: AttemptState['tools'],
  owner: string,
  state: KeptState<State>,
  needs: AccessNeeds,
): State {
  const begins = state.initial(needs);
  const read = state.schema.safeParse({ ...begins, ...own(kept, owner) });
  return read.success ? read.data : begins;
}
