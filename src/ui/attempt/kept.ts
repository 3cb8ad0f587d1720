import type { ZodMiniType } from 'zod/mini';
import type { AttemptState } from '@/core/attempt/state';
import type { AccessNeeds } from '@/core/needs';
import { own } from '@/core/own';
import type { OwnColours } from '@/core/view/palette';
import type { SchemeId } from '@/core/view/schemes';
import type { TextLook } from '@/core/view/text';

/** What a tool or a part of the screen keeps, as plain JSON. */
export type Kept = Readonly<Record<string, unknown>>;

/** How the whole page looks. */
export interface PageLook {
  readonly scheme: SchemeId;
  readonly magnification: number;
  /** Two colours the student chose, in the place of a scheme's. */
  readonly own: OwnColours | null;
  readonly text: TextLook;
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

/** Under which name a tool keeps what belongs to one question. */
export const keptAt = (owner: string, itemRef: string): string => `${owner}/${itemRef}`;

/** What an owner keeps in an attempt, read by its schema; what does not fit gives how it begins. */
export function readKept<State extends Kept>(
  kept: AttemptState['tools'],
  owner: string,
  state: KeptState<State>,
  needs: AccessNeeds,
): State {
  const initial = state.initial(needs);
  const chosen = state.schema.safeParse({ ...initial, ...own(needs.chosen, owner) });
  const begins = chosen.success ? chosen.data : initial;
  const read = state.schema.safeParse({ ...begins, ...own(kept, owner) });
  return read.success ? read.data : begins;
}
