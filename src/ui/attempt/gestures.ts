'use client';

import { useEffect } from 'react';

/**
 * What one movement of the hand changes is one step of undo: from a pointer or key going down until the next does. A key held
 * down repeats, and is one movement too; a file dropped in is one. A click that no pointer and no key made (a screen reader's) is a movement of its own.
 */
class Gestures {
  private watchers = 0;
  private number = 0;
  /** A click is to come of it. */
  private pressed = false;
  private last: { readonly number: number; readonly what: string } | null = null;

  private readonly down = (event: Event) => {
    if (event instanceof KeyboardEvent && event.repeat) return;
    this.number += 1;
    this.pressed = !(event instanceof KeyboardEvent) || event.key === 'Enter' || event.key === ' ';
  };
  private readonly click = () => {
    if (!this.pressed) this.number += 1;
    this.pressed = false;
  };

  /** Begins to watch the page; what it gives back ends it. */
  watch(): () => void {
    this.watchers += 1;
    if (this.watchers === 1) {
      window.addEventListener('pointerdown', this.down, true);
      window.addEventListener('keydown', this.down, true);
      window.addEventListener('drop', this.down, true);
      window.addEventListener('click', this.click, true);
    }
    return () => {
      this.watchers -= 1;
      if (this.watchers > 0) return;
      window.removeEventListener('pointerdown', this.down, true);
      window.removeEventListener('keydown', this.down, true);
      window.removeEventListener('drop', this.down, true);
      window.removeEventListener('click', this.click, true);
    };
  }

  /** Whether a change to this goes on with a movement that has changed it already. */
  goesOn(what: string): boolean {
    const same = this.last?.number === this.number && this.last.what === what;
    this.last = { number: this.number, what };
    return same;
  }
}

const gestures = new Gestures();

/** For what takes answers: whether a change goes on with the movement before it. */
export function useGestures(): (what: string) => boolean {
  useEffect(() => gestures.watch(), []);
  return (what) => gestures.goesOn(what);
}
