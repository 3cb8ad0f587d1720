import type { RawResponse } from '../content/response';

/** What can be done in a sitting (sitting.md, "npm run sit"). */
export type Action =
  | {
      readonly do: 'answer';
      readonly ref: string;
      readonly responses: Readonly<Record<string, RawResponse>>;
      /** It was looked at when it came in, and is not refused any more for what it is. */
      readonly admitted?: boolean;
    }
  | { readonly do: 'go'; readonly ref: string }
  | { readonly do: 'next' }
  | { readonly do: 'back' }
  /** `by`: the response of the button inside the question that asked for it, if one did. */
  | { readonly do: 'check'; readonly ref: string; readonly by?: string | null }
  | { readonly do: 'end-part' }
  | { readonly do: 'stop' }
  | { readonly do: 'resume' }
  /** Whoever supervises gives so many milliseconds more for the whole test. */
  | { readonly do: 'add-time'; readonly ms: number }
  /** `forced`: by a person or by the time; nothing of the student's holds it. */
  | { readonly do: 'hand-in'; readonly forced?: boolean };

/** Why something may not be done now. */
export type Refused =
  | 'closed'
  | 'not-shown'
  | 'no-way-back'
  | 'no-way-ahead'
  | 'last'
  | 'first'
  | 'needs-answer'
  | 'not-valid'
  | 'no-more-attempts'
  | 'too-early'
  | 'time-over'
  | 'stopped'
  | 'not-stopped'
  | 'handed-in'
  | 'unreadable';
