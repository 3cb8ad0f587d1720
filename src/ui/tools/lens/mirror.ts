/** Elements that are no part of what is seen. */
const UNSEEN =
  'script, style, link, template, noscript, [data-lens], [data-announcer], .visually-hidden, next-route-announcer';

/** Rules of the page that paint marks on ranges (CSS Custom Highlight API), as rules for elements in the mirror. */
const PAINTED = /::highlight\(([\w-]+)\)/g;

/**
 * The page once more, and always as it is now: its elements are drawn again inside a shadow root, where no label, key or selector of
 * the page finds them, and they are drawn anew whenever something changes. What is only state of an element (what is written, ticked,
 * scrolled, painted on a canvas or marked) is carried over.
 */
export class Mirror {
  private readonly twins = new Map<Node, Node>();
  private readonly sheet = new CSSStyleSheet();
  private styled = -1;
  private timer: ReturnType<typeof setTimeout> | undefined;
  private frame = 0;
  private last = 0;
  private lit = '';
  private stopAll: (() => void) | null = null;

  constructor(
    private readonly root: ShadowRoot,
    private readonly page: HTMLElement = document.body,
  ) {
    root.adoptedStyleSheets = [this.sheet];
  }

  /** Draws it, and follows the page until `stop`. */
  start(): void {
    this.draw();
    const later = () => this.drawSoon();
    const changes = new MutationObserver((records) => {
      if (records.some(({ target }) => !isLens(target))) later();
    });
    changes.observe(this.page, { subtree: true, childList: true, attributes: true, characterData: true });
    const scrolled = ({ target }: Event) => {
      const twin = target instanceof Element ? this.twins.get(target) : undefined;
      if (target instanceof Element && twin instanceof Element) copyScroll(target, twin);
    };
    const events = ['input', 'change', 'focusin', 'focusout', 'transitionend'];
    for (const one of events) document.addEventListener(one, later, true);
    document.addEventListener('scroll', scrolled, { capture: true, passive: true });
    window.addEventListener('resize', later);
    // Marks change without the page's elements changing.
    const looking = setInterval(() => {
      if (litNow() !== this.lit) later();
    }, LOOK_MS);
    this.stopAll = () => {
      changes.disconnect();
      for (const one of events) document.removeEventListener(one, later, true);
      document.removeEventListener('scroll', scrolled, true);
      window.removeEventListener('resize', later);
      clearInterval(looking);
      clearTimeout(this.timer);
      cancelAnimationFrame(this.frame);
    };
  }

  stop(): void {
    this.stopAll?.();
    this.root.replaceChildren();
    this.twins.clear();
  }

  private drawSoon(): void {
    if (this.timer !== undefined) return;
    const wait = Math.max(0, APART_MS - (performance.now() - this.last));
    this.timer = setTimeout(() => {
      this.frame = requestAnimationFrame(() => this.draw());
    }, wait);
  }

  private draw(): void {
    clearTimeout(this.timer);
    this.timer = undefined;
    this.style();
    this.twins.clear();
    const scrolled: [Element, Element][] = [];
    const whole = document.createElement('div');
    whole.className = this.page.className;
    whole.setAttribute('data-mirror', '');
    for (const child of this.page.childNodes) this.add(child, whole, scrolled);
    this.paint();
    this.root.replaceChildren(whole);
    for (const [from, to] of scrolled) copyScroll(from, to);
    const focused = document.activeElement && this.twins.get(document.activeElement);
    if (focused instanceof Element && document.activeElement?.matches(':focus-visible'))
      focused.setAttribute('data-focused', '');
    this.last = performance.now();
  }

  private add(node: Node, parent: Node, scrolled: [Element, Element][]): void {
    if (node instanceof Text) {
      const twin = document.createTextNode(node.data);
      this.twins.set(node, twin);
      parent.appendChild(twin);
      return;
    }
    if (!(node instanceof Element) || node.matches(UNSEEN)) return;
    const twin = twinOf(node);
    this.twins.set(node, twin);
    parent.appendChild(twin);
    if (node.scrollTop !== 0 || node.scrollLeft !== 0) scrolled.push([node, twin]);
    const inside = node.shadowRoot;
    if (inside) {
      const shadow = twin.attachShadow({ mode: 'open' });
      shadow.adoptedStyleSheets = inside.adoptedStyleSheets;
      for (const child of inside.childNodes) shadow.appendChild(child.cloneNode(true));
    }
    for (const child of node.childNodes) this.add(child, twin, scrolled);
    copyState(node, twin);
  }

  /** The page's rules, as they are now. */
  private style(): void {
    const sheets = [...document.styleSheets, ...document.adoptedStyleSheets];
    const count = sheets.reduce((sum, sheet) => sum + rulesOf(sheet).length, 0);
    if (count === this.styled) return;
    this.styled = count;
    const text = sheets.flatMap((sheet) => rulesOf(sheet).map(({ cssText }) => cssText)).join('\n');
    this.sheet.replaceSync(
      text.replace(PAINTED, ' [data-lit~=$1]').replace(/(^|[\s,{}])body(?=[\s,{:[>])/g, '$1[data-mirror]') +
        MIRRORED,
    );
  }

  /** Marks lie on ranges of the page's own text: the same letters here are put into elements that look so. */
  private paint(): void {
    this.lit = litNow();
    if (!('highlights' in CSS)) return;
    const stretches = new Map<Text, { start: number; end: number; name: string }[]>();
    for (const [name, highlight] of CSS.highlights) {
      for (const { startContainer, startOffset, endOffset } of highlight) {
        const twin = this.twins.get(startContainer);
        if (twin instanceof Text)
          stretches.set(twin, [
            ...(stretches.get(twin) ?? []),
            { start: startOffset, end: Math.min(endOffset, twin.length), name },
          ]);
      }
    }
    for (const [text, all] of stretches) {
      let free = text.length;
      // From the end, so that what stands before keeps its place.
      for (const { start, end, name } of all.sort((a, b) => b.start - a.start)) {
        const until = Math.min(end, free);
        if (until <= start) continue;
        text.splitText(until);
        const marked = text.splitText(start);
        const lit = document.createElement('span');
        lit.setAttribute('data-lit', name);
        marked.replaceWith(lit);
        lit.append(marked);
        free = start;
      }
    }
  }
}

/** The least time between two drawings, and how often it is looked whether something changed that tells nobody. */
const APART_MS = 60;
const LOOK_MS = 120;

/** What the page's rules cannot say about itself in here. */
const MIRRORED = `
[data-mirror] { position: absolute; inset: 0; margin: 0; background: var(--ground); }
[data-mirror] [data-focused] { outline: 0.1875rem solid var(--focus); outline-offset: 0.125rem; }
[data-mirror] dialog[open] { position: fixed; inset: 0; z-index: 100; }
`;

const isLens = (node: Node): boolean =>
  (node instanceof Element ? node : node.parentElement)?.closest('[data-lens]') != null;

function rulesOf(sheet: CSSStyleSheet): CSSRule[] {
  try {
    return [...sheet.cssRules].filter(
      (rule) => !(rule instanceof CSSImportRule) && !(rule instanceof CSSFontFaceRule),
    );
  } catch {
    // A sheet of another origin may not be read; the product has none.
    return [];
  }
}

/** An element like another, that does nothing: one of the page's own kinds (an editor) would begin to live. */
function twinOf(node: Element): Element {
  if (!node.localName.includes('-')) return node.cloneNode(false) as Element;
  const twin = document.createElement('span');
  for (const { name, value } of node.attributes) twin.setAttribute(name, value);
  return twin;
}

function copyState(from: Element, to: Element): void {
  if (from instanceof HTMLInputElement && to instanceof HTMLInputElement) {
    to.checked = from.checked;
    if (from.type !== 'file') to.value = from.value;
  } else if (from instanceof HTMLTextAreaElement && to instanceof HTMLTextAreaElement) to.value = from.value;
  else if (from instanceof HTMLSelectElement && to instanceof HTMLSelectElement)
    to.selectedIndex = from.selectedIndex;
  else if (
    from instanceof HTMLCanvasElement &&
    to instanceof HTMLCanvasElement &&
    from.width * from.height > 0
  )
    to.getContext('2d')?.drawImage(from, 0, 0);
  else if (to instanceof HTMLMediaElement) to.removeAttribute('autoplay');
}
function copyScroll(from: Element, to: Element): void {
  to.scrollTop = from.scrollTop;
  to.scrollLeft = from.scrollLeft;
}

/** How all marks lie now, in short. */
function litNow(): string {
  if (!('highlights' in CSS)) return '';
  return [...CSS.highlights]
    .map(([name, ranges]) => {
      const [first] = ranges;
      return `${name} ${ranges.size} ${first?.startOffset ?? ''} ${first?.endOffset ?? ''} ${first?.startContainer.textContent?.length ?? ''}`;
    })
    .join('|');
}
