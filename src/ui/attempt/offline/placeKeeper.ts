import type { Journal } from '../session/journal';
import type { Timers } from '../session/timers';
import type { Content } from '../session/transport';
import type { Place, Places } from './places';

/** Time between two times that a place is kept: what comes in between is in the journal. */
const APART_MS = 2_000;

interface Standing {
  readonly place: Place;
  readonly content: Content;
}

/**
 * Keeps on this computer where a page stands, a moment after the server has taken something, and then lets the journal forget what both
 * the place and the server hold. Where the computer keeps no place at all, the journal forgets all the same.
 */
export class PlaceKeeper {
  private timer: unknown = null;
  private keptContent: Content | null = null;
  private ended = false;

  /**
   * @param standing where the page stands; null while what it shows does not go with it
   * @param tell whether the computer keeps it
   */
  constructor(
    private readonly places: Places,
    private readonly journal: Journal,
    private readonly timers: Timers,
    private readonly standing: () => Standing | null,
    private readonly tell: (kept: boolean) => void,
  ) {}

  /** Keeps it soon. */
  soon(): void {
    if (this.ended) return;
    this.timer ??= this.timers.set(() => {
      this.timer = null;
      void this.now();
    }, APART_MS);
  }

  async now(): Promise<void> {
    const standing = this.ended ? null : this.standing();
    if (!standing) return;
    const { place, content } = standing;
    const changed = content.test !== this.keptContent?.test;
    try {
      await this.places.keep(place, changed ? content : undefined);
      this.keptContent = content;
      this.tell(true);
    } catch {
      this.tell(false);
      this.keptContent = null;
      // An older place that stays would number anew what the server has under these numbers: then the journal must stay as well.
      const isGone = await this.places.forget(place.device).catch(() => false);
      if (!isGone) return;
    }
    await this.journal.forget(place.device, place.acknowledged).catch(() => undefined);
  }

  /** The attempt is over, or is somewhere else: nothing is to be found here, but for what the server does not have. */
  async forget(device: string, acknowledged: number): Promise<void> {
    this.end();
    if (await this.places.forget(device).catch(() => false)) {
      await this.places.forgetFiles().catch(() => undefined);
      await this.journal.forget(device, acknowledged).catch(() => undefined);
    }
  }

  end(): void {
    this.ended = true;
    this.timers.clear(this.timer);
  }
}
