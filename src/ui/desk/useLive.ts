'use client';

import type { ClassRow, LiveNews } from '@/core/wire/desk';
import { useRouter } from 'next/navigation';
import { useEffect, useRef, useState, type RefObject } from 'react';

/** Without a live connection the page looks again after so long, in milliseconds. */
const LOOK_AGAIN_MS = 10_000;
/** While the pointer moves over the rows they keep their places: what is new waits until it has rested so long, in milliseconds. */
const RESTS_MS = 1_500;
/** But never longer than this. */
const WAITS_MS = 6_000;

const merged = (rows: readonly ClassRow[], { changed, gone }: LiveNews): readonly ClassRow[] => {
  const news = new Map(changed.map((row) => [row.assignmentId, row]));
  const known = new Set(rows.map((row) => row.assignmentId));
  return [
    ...rows.filter((row) => !gone.includes(row.assignmentId)).map((row) => news.get(row.assignmentId) ?? row),
    ...changed.filter((row) => !known.has(row.assignmentId)),
  ];
};

/**
 * The students of the room as they are now: told by the server as it happens (server-sent events), else looked at every few seconds.
 * @returns `live`: whether it is told as it happens; null until that is known
 * @param first as the page came with them
 * @param placeRef where they stand: under a hand that is moving there nothing changes its place
 */
export function useLive(
  first: readonly ClassRow[],
  placeRef: RefObject<HTMLElement | null>,
): { readonly rows: readonly ClassRow[]; readonly live: boolean | null } {
  const router = useRouter();
  const [rows, setRows] = useState(first);
  const [came, setCame] = useState(first);
  const [live, setLive] = useState<boolean | null>(null);
  if (came !== first) {
    // The page was looked at again.
    setCame(first);
    setRows(first);
  }
  const movedAt = useRef(0);
  useEffect(() => {
    const place = placeRef.current;
    const moved = () => {
      movedAt.current = Date.now();
    };
    place?.addEventListener('pointermove', moved);
    return () => place?.removeEventListener('pointermove', moved);
  }, [placeRef]);
  useEffect(() => {
    let source: EventSource | null = null;
    let waiting: { readonly news: LiveNews[]; readonly since: number } | null = null;
    const take = () => {
      if (!waiting) return;
      const now = Date.now();
      if (now - movedAt.current < RESTS_MS && now - waiting.since < WAITS_MS) return;
      const { news } = waiting;
      waiting = null;
      setRows((before) => news.reduce(merged, before));
      if (news.some(({ look }) => look)) router.refresh();
    };
    const close = () => {
      source?.close();
      source = null;
      setLive(false);
    };
    const open = () => {
      if (source || document.visibilityState !== 'visible') return;
      source = new EventSource('/api/desk/live');
      source.addEventListener('open', () => setLive(true));
      source.addEventListener('error', () => {
        setLive(false);
        // Refused (signed out, too many): it is asked again with the next look.
        if (source?.readyState === EventSource.CLOSED) source = null;
      });
      source.addEventListener('news', ({ data }: MessageEvent<string>) => {
        const news = JSON.parse(data) as LiveNews;
        waiting = { news: [...(waiting?.news ?? []), news], since: waiting?.since ?? Date.now() };
        take();
      });
    };
    const seen = () => (document.visibilityState === 'visible' ? open() : close());
    open();
    document.addEventListener('visibilitychange', seen);
    const taking = setInterval(take, 500);
    const looking = setInterval(() => {
      if (document.visibilityState !== 'visible' || source?.readyState === EventSource.OPEN) return;
      router.refresh();
      open();
    }, LOOK_AGAIN_MS);
    return () => {
      document.removeEventListener('visibilitychange', seen);
      clearInterval(taking);
      clearInterval(looking);
      close();
    };
  }, [router]);
  return { rows, live };
}
