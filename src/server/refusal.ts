/** Something that cannot be done, in a way the interface can act on. `code` is a message key under `refusals`. */
export class Refusal extends Error {
  constructor(
    readonly code:
      | 'bad-input'
      | 'not-signed-in'
      | 'not-yours'
      | 'wrong-name-or-password'
      | 'wrong-name-or-code'
      | 'wrong-password'
      | 'weak-password'
      | 'change-password'
      | 'sits-now'
      | 'no-profile'
      | 'too-many-tries'
      | 'not-found'
      | 'not-begun'
      | 'begun'
      | 'no-go-ahead'
      | 'stopped'
      | 'handed-in'
      | 'time-over'
      | 'not-shown'
      | 'needs-answer'
      | 'not-valid'
      | 'no-more-attempts'
      | 'too-early'
      | 'unknown-device'
      | 'too-much'
      | 'busy'
      | 'in-use'
      | 'moved'
      | 'closed'
      | 'opens-later'
      | 'window-over'
      | 'marked'
      | 'released'
      | 'no-sources'
      | 'no-clock'
      | 'others-too'
      | 'does-not-fit'
      | 'cannot-be-read'
      | 'disk-full'
      | 'other-site',
    readonly status: number,
    readonly details: Readonly<Record<string, string | number>> = {},
  ) {
    super(code);
    this.name = 'Refusal';
  }

  /** What is answered. */
  get body(): Readonly<Record<string, string | number>> {
    return { code: this.code, ...this.details };
  }
}
