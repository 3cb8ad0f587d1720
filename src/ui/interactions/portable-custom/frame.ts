/// <reference lib="dom" />
import type { FrameLook, FromFrame, ToFrame } from './messages';

/**
 * Runs inside the frame, behind RequireJS (scripts/bundle.mjs puts both into one file): loads the program's modules from what the page
 * sends, hands it its place, and tells the page what it answers (QTI 3.0 and IMS PCI 1.0: `getInstance`, `getResponse`, `getState`).
 */
type Begin = Extract<ToFrame, { tells: 'begin' }>;
interface Instance {
  getResponse?: () => unknown;
  getState?: () => unknown;
  oncompleted?: () => void;
}
interface Registered {
  readonly typeIdentifier?: string;
  readonly getInstance: (dom: HTMLElement, configuration: object, state: string | undefined) => unknown;
}
interface Require {
  (names: string[], then: () => void, failed: (error: unknown) => void): void;
  load: (context: { completeLoad: (name: string) => void }, name: string) => void;
  config: (settings: object) => void;
}
type Define = (name: string, needs: string[], make: () => unknown) => void;

const { requirejs, define } = globalThis as unknown as { requirejs: Require; define: Define };
/** Ways to the network that no policy of today's browsers closes: gone before any program is here. A frame inside would be another origin's. */
for (const way of ['RTCPeerConnection', 'webkitRTCPeerConnection', 'WebTransport'])
  Reflect.deleteProperty(globalThis, way);

/** How often the program is asked what it answers, in milliseconds; besides, after everything that is done in it. */
const ASK_EVERY_MS = 400;
/** Said in the frame when the page asks. */
const ASKED = 'able-asked';

addEventListener('message', function first({ source, ports, data }: MessageEvent<unknown>) {
  const [port] = ports;
  if (source !== parent || data !== 'able-portable' || !port) return;
  removeEventListener('message', first);
  port.onmessage = ({ data: told }: MessageEvent<ToFrame>) => {
    if (told.tells === 'begin') begin(port, told);
    else if (told.tells === 'look') wear(told.look);
    else if (told.tells === 'ask') dispatchEvent(new Event(ASKED));
    else document.body.inert = told.closed;
  };
});

function wear({ ink, sheet, accent, dark, size, language, text, fonts }: FrameLook): void {
  const { style } = document.documentElement;
  const faces = document.querySelector('style[data-faces]');
  if (faces && faces.textContent !== fonts) faces.textContent = fonts;
  Object.assign(style, text);
  document.documentElement.lang = language;
  style.colorScheme = dark ? 'dark' : 'light';
  style.fontSize = `${size}px`;
  for (const [name, value] of Object.entries({ ink, sheet, accent })) style.setProperty(`--${name}`, value);
}

/** Puts the program's text in as a script of this frame's own. */
function run(source: string): void {
  const script = document.createElement('script');
  script.nonce = document.querySelector<HTMLScriptElement>('script')?.nonce ?? '';
  script.textContent = source;
  document.head.append(script);
  script.remove();
}

function begin(port: MessagePort, told: Begin): void {
  const tell = (news: FromFrame) => port.postMessage(news);
  const fail = (why: unknown) => tell({ tells: 'failed', why: String(why) });
  wear(told.look);
  document.body.inert = told.closed;
  const place = document.createElement('div');
  place.className = 'qti-interaction-markup';
  if (told.markup !== '') {
    const parsed = new DOMParser().parseFromString(told.markup, 'application/xhtml+xml');
    place.append(...[...parsed.documentElement.childNodes].map((node) => document.importNode(node, true)));
  }
  document.body.append(place);
  new ResizeObserver(() => tell({ tells: 'height', height: document.body.offsetHeight })).observe(
    document.body,
  );

  const registered: Registered[] = [];
  let instance: Instance | null = null;
  const sources = new Map(told.modules.map(({ id, source }) => [id, source]));
  requirejs.load = (context, name) => {
    const source = sources.get(name);
    if (source === undefined) return fail(`the module "${name}" is not in the package`);
    run(source);
    context.completeLoad(name);
  };
  define('qtiCustomInteractionContext', [], () => ({
    register: (one: Registered) => registered.push(one),
    notifyReady: (one: Instance) => {
      instance = one;
    },
    notifyDone: () => undefined,
  }));

  let before = '';
  const ask = () => {
    if (!instance) return;
    try {
      const news = {
        tells: 'changed',
        response: instance.getResponse?.() ?? null,
        state: instance.getState?.() ?? null,
      } as const;
      const now = JSON.stringify(news);
      if (now === before) return;
      before = now;
      tell(JSON.parse(now) as FromFrame);
    } catch (error) {
      fail(error);
    }
  };
  const start = () => {
    const own = registered.find((one) => one.typeIdentifier === told.typeIdentifier) ?? registered[0];
    if (!own) return fail('the module has registered nothing');
    const configuration = {
      onready: (one: Instance) => {
        instance = one;
      },
      ondone: () => undefined,
      properties: { ...told.properties },
      responseIdentifier: told.responseIdentifier,
      boundTo: { [told.responseIdentifier]: told.bound },
      templateVariables: told.variables,
      contextVariables: {},
      status: told.closed ? 'closed' : 'interacting',
    };
    const made = own.getInstance(place, configuration, told.state ?? undefined);
    if (typeof made === 'object' && made !== null) instance ??= made as Instance;
    tell({ tells: 'ready' });
    ask();
    setInterval(ask, ASK_EVERY_MS);
    for (const act of ['input', 'change', 'click', 'keyup', 'pointerup', 'qti-interaction-changed'])
      addEventListener(act, () => setTimeout(ask));
    for (const now of [ASKED, 'pagehide']) addEventListener(now, ask);
  };
  // What goes wrong while it runs is told; before it has begun, it is its end.
  addEventListener('error', ({ message }) => {
    if (!instance) fail(message);
  });
  // Keys of the page around: the tools' letters, and Escape.
  addEventListener('keydown', ({ key, code, altKey, defaultPrevented }) => {
    if (!defaultPrevented && (altKey || key === 'Escape')) tell({ tells: 'key', key, code, alt: altKey });
  });
  requirejs(
    [told.module],
    () => {
      try {
        start();
      } catch (error) {
        fail(error);
      }
    },
    fail,
  );
}
