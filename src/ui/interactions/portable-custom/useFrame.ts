'use client';

import { useCallback, useEffect, useRef, useState, type RefObject } from 'react';
import { fromQtiJson, toQtiJson } from '@/core/interactions/portable-custom/json';
import { FILE_PREFIX, PORTABLE_LIMITS, type PortableCustomModel } from '@/core/interactions/portable-custom';
import { readResponse, type RawResponse } from '@/core/content/response';
import type { ResponseShape } from '@/core/interactions/types';
import { dataUrlAt } from '../../kit/dataUrl';
import { useHandler } from '../../kit/useHandler';
import { frameDocument, frameProgram } from './frameDocument';
import { frameFonts } from './frameFonts';
import type { FrameLook, FromFrame, ToFrame } from './messages';

/** A program that has not begun after so long is told to be missing, in milliseconds. */
const BEGINS_MS = 15_000;
/** Pixels a frame is high at least and at most; what is longer scrolls inside. */
const HEIGHTS = [60, 4_000] as const;

/** What a program keeps of itself is kept once it has not changed for so long, in milliseconds. */
const KEPT_AFTER_MS = 800;

interface Given {
  readonly model: PortableCustomModel;
  readonly response: RawResponse;
  readonly shape: ResponseShape;
  readonly state: string | null;
  readonly closed: boolean;
  readonly title: string;
  readonly assetUrl: (path: string) => string;
  readonly onAnswer: (response: RawResponse) => void;
  readonly onState: (state: string) => void;
}

/** The markup with the files of the package in it: the frame can fetch none. One that is missing is left out. */
async function filled({ markup, files }: PortableCustomModel, assetUrl: Given['assetUrl']): Promise<string> {
  const all = await Promise.all(
    files.map(async (path) => [path, (await dataUrlAt(assetUrl(path))) ?? ''] as const),
  );
  return all.reduce((text, [path, data]) => text.replaceAll(`"${FILE_PREFIX}${path}"`, `"${data}"`), markup);
}

/** How the page looks around an element now. */
async function lookAt(element: HTMLElement): Promise<FrameLook> {
  const style = getComputedStyle(element);
  const { fontFamily, lineHeight, letterSpacing, wordSpacing } = style;
  const of = (name: string) => style.getPropertyValue(name).trim();
  return {
    ink: of('--ink'),
    sheet: of('--sheet'),
    accent: of('--accent'),
    dark: style.colorScheme === 'dark',
    size: parseFloat(style.fontSize) || 16,
    language: element.closest<HTMLElement>('[lang]')?.lang ?? '',
    text: { fontFamily, lineHeight: of('--leading') || lineHeight, letterSpacing, wordSpacing },
    fonts: await frameFonts(fontFamily),
  };
}

export type FrameStanding = 'loading' | 'ready' | 'failed';

/** A frame in which a program of a package runs, with what goes to and fro. */
export function useFrame(
  frameRef: RefObject<HTMLIFrameElement | null>,
  given: Given,
): { readonly standing: FrameStanding; readonly height: number; readonly again: () => void } {
  const [standing, setStanding] = useState<FrameStanding>('loading');
  const [height, setHeight] = useState<number>(HEIGHTS[0]);
  const [round, setRound] = useState(0);
  const portRef = useRef<MessagePort | null>(null);
  const { model, closed } = given;

  /** The answer that the program gave last, or was given. */
  const answeredRef = useRef(JSON.stringify(given.response));
  /** A state that is not kept yet, and what keeps it. */
  const soonRef = useRef<{ readonly state: string; readonly timer: ReturnType<typeof setTimeout> } | null>(
    null,
  );
  const keepNow = useHandler(() => {
    const soon = soonRef.current;
    if (!soon) return;
    clearTimeout(soon.timer);
    soonRef.current = null;
    given.onState(soon.state);
  });
  const keepSoon = (state: string) => {
    if (soonRef.current) clearTimeout(soonRef.current.timer);
    soonRef.current = { state, timer: setTimeout(keepNow, KEPT_AFTER_MS) };
  };

  const take = useHandler((news: FromFrame) => {
    switch (news.tells) {
      case 'ready':
        return setStanding('ready');
      case 'failed':
        return setStanding('failed');
      case 'height': {
        const [least, most] = HEIGHTS;
        return setHeight(Math.min(most, Math.max(least, Math.ceil(Number(news.height)) || least)));
      }
      case 'key': {
        const { key, code, alt } = news;
        const event = { key: String(key), code: String(code), altKey: alt === true, bubbles: true };
        frameRef.current?.dispatchEvent(new KeyboardEvent('keydown', event));
        return undefined;
      }
      default: {
        if (given.closed) return undefined;
        const answer = fromQtiJson(news.response, given.shape);
        if (answer !== undefined && JSON.stringify(answer) !== JSON.stringify(given.response)) {
          answeredRef.current = JSON.stringify(answer);
          given.onAnswer(answer);
        }
        const { state } = news;
        if (typeof state === 'string' && state.length <= PORTABLE_LIMITS.state && state !== given.state)
          keepSoon(state);
        return undefined;
      }
    }
  });
  const beginning = useHandler((frame: HTMLIFrameElement, tell: (told: ToFrame) => void) => {
    void Promise.all([filled(model, given.assetUrl), lookAt(frame)]).then(([markup, look]) =>
      tell({
        tells: 'begin',
        typeIdentifier: model.typeIdentifier,
        module: model.module,
        modules: model.modules,
        markup,
        responseIdentifier: model.responseIdentifier,
        properties: model.properties,
        bound: toQtiJson(readResponse(given.response, { ...given.shape, ...UNDECLARED }).value),
        variables: model.values,
        // What was taken back or begun anew is told by the answer alone.
        state: round === 0 ? given.state : null,
        closed: given.closed,
        look,
      }),
    );
  });
  const { response } = given;
  useEffect(() => {
    const now = JSON.stringify(response);
    if (now === answeredRef.current) return;
    // Changed by somebody else than the program (undo, starting over): it begins with what is there now.
    answeredRef.current = now;
    setStanding('loading');
    setRound((before) => before + 1);
  }, [response]);

  const { title } = given;
  useEffect(() => {
    const frame = frameRef.current;
    if (!frame) return undefined;
    let gone = false;
    const fail = () => !gone && setStanding((now) => (now === 'ready' ? now : 'failed'));
    const timer = setTimeout(fail, BEGINS_MS);
    const load = () => {
      const { port1, port2 } = new MessageChannel();
      port1.onmessage = ({ data }: MessageEvent<FromFrame>) => !gone && take(data);
      portRef.current = port1;
      // Its origin is nobody's, so there is none to name; the port goes to this window alone.
      frame.contentWindow?.postMessage('able-portable', '*', [port2]);
      beginning(frame, (told) => !gone && port1.postMessage(told));
    };
    frame.addEventListener('load', load, { once: true });
    frameProgram().then((source) => {
      if (!gone) frame.srcdoc = frameDocument(source, title);
    }, fail);
    return () => {
      keepNow();
      gone = true;
      clearTimeout(timer);
      frame.removeEventListener('load', load);
      portRef.current?.close();
      portRef.current = null;
    };
    // A program keeps its place while the words around it change; it begins anew only as another, or when asked.
  }, [frameRef, take, beginning, keepNow, round, model.typeIdentifier, model.modules, title]);

  useEffect(() => {
    portRef.current?.postMessage({ tells: 'closed', closed } satisfies ToFrame);
  }, [closed]);
  useEffect(() => {
    // A program that changes by itself is asked before a press anywhere leads away.
    const ask = () => portRef.current?.postMessage({ tells: 'ask' } satisfies ToFrame);
    const presses = ['pointerdown', 'keydown'] as const;
    for (const press of presses) document.addEventListener(press, ask, true);
    return () => {
      for (const press of presses) document.removeEventListener(press, ask, true);
    };
  }, []);
  useEffect(() => {
    // Colors and size of the page, as they are changed by tools.
    const root = document.documentElement;
    const tell = () => {
      const frame = frameRef.current;
      if (frame)
        void lookAt(frame).then((look) =>
          portRef.current?.postMessage({ tells: 'look', look } satisfies ToFrame),
        );
    };
    const observer = new MutationObserver(tell);
    observer.observe(root, { attributes: true });
    return () => observer.disconnect();
  }, [frameRef]);

  const again = useCallback(() => {
    setStanding('loading');
    setRound((before) => before + 1);
  }, []);
  return { standing, height, again };
}

/** What a response's declaration says beside its shape: nothing that a program is told. */
const UNDECLARED = { defaultValue: null, correctResponse: null, mapping: null, areaMapping: null } as const;
