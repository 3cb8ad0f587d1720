import type { DeliveredTest } from '../item/delivered';
import type { AccessNeeds } from '../needs';

/** What an open attempt shows, and to whom. */
export interface AttemptContent {
  readonly test: DeliveredTest;
  readonly student: {
    readonly displayName: string;
    readonly needs: AccessNeeds;
    /** An adult tries it out. */
    readonly tries: boolean;
  };
}
