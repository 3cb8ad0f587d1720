'use client';

import { useEffect, useState } from 'react';
import { usePlayer } from '../../attempt/PlayerContext';

/** Less than this of a battery that is not being charged is low (common practice, no source). */
const LOW = 0.15;

/** What a browser tells of the battery (W3C Battery Status API); not every browser does. */
interface Battery extends EventTarget {
  readonly charging: boolean;
  /** From 0 to 1. */
  readonly level: number;
}

/** Whether the battery is low: told to whoever supervises too. False where the browser does not say. */
export function useLowBattery(): boolean {
  const { dispatch, rehearsal } = usePlayer();
  const [low, setLow] = useState(false);
  useEffect(() => {
    const { getBattery } = navigator as { getBattery?: () => Promise<Battery> };
    let battery: Battery | null = null;
    let last = false;
    const look = () => {
      if (!battery) return;
      const now = !battery.charging && battery.level <= LOW;
      if (now === last) return;
      last = now;
      setLow(now);
      if (rehearsal === null) dispatch({ type: 'battery', low: now });
    };
    let here = true;
    getBattery?.call(navigator).then(
      (found) => {
        if (!here) return;
        battery = found;
        for (const change of ['levelchange', 'chargingchange']) found.addEventListener(change, look);
        look();
      },
      () => undefined,
    );
    return () => {
      here = false;
      for (const change of ['levelchange', 'chargingchange']) battery?.removeEventListener(change, look);
    };
  }, [dispatch, rehearsal]);
  return low;
}
