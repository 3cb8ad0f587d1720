'use client';

import { own } from '@/core/own';
import { createContext, createElement, Fragment, useContext, type ReactNode } from 'react';
import { DOCUMENT, type Content, type ContentNode } from '@/core/content/content';
import type { InteractionModel } from '@/core/interactions/types';
import { isSameLanguage } from '@/core/languages';
import { Enlargeable } from '../kit/Enlargeable';
import { useLanguage } from '../kit/Words';
import styles from './content.module.css';
import { DocumentLink } from './DocumentLink';

/** How the places in content are filled: interactions, gaps, pictures. */
export interface ContentSlots {
  readonly assetUrl: (path: string) => string;
  /** Pictures get a button that enlarges them; not inside what is itself pressed. */
  readonly enlarge?: boolean;
  readonly interaction?: (model: InteractionModel) => ReactNode;
  readonly place?: (role: 'gap' | 'hottext', identifier: string, children: ReactNode) => ReactNode;
}

const HTML_NAMES: Readonly<Record<string, string>> = {
  class: 'className',
  colspan: 'colSpan',
  rowspan: 'rowSpan',
  datetime: 'dateTime',
  srclang: 'srcLang',
};
const camel = (name: string) => name.replace(/-([a-z])/g, (_all, letter: string) => letter.toUpperCase());

function attributeName(name: string, namespace: 'html' | 'svg' | 'math'): string {
  if (name.startsWith('aria-')) return name;
  if (name === 'class') return 'className';
  return namespace === 'svg' ? camel(name) : (own(HTML_NAMES, name) ?? name);
}

/** How wide a picture is meant to be, in CSS pixels: what is measured on it is measured at that size (ui/tools/measuring). */
const TRUE_WIDTH = 'data-true-width';

/** A length in CSS pixels from a `width` attribute, as rem, so that it grows with the magnifier. */
const rem = (pixels: string | undefined): string | undefined =>
  pixels !== undefined && /^\d+(\.\d+)?(px)?$/.test(pixels) ? `${parseFloat(pixels) / 16}rem` : undefined;

function propsOf(
  node: Extract<ContentNode, { kind: 'element' }>,
  slots: ContentSlots,
): Record<string, unknown> {
  const props: Record<string, unknown> = {};
  for (const [name, value] of Object.entries(node.attributes))
    props[attributeName(name, node.namespace)] = value;
  for (const link of ['src', 'poster']) {
    if (node.attributes[link] !== undefined) props[link] = slots.assetUrl(node.attributes[link]);
  }
  if (node.name === 'img') {
    props.alt = node.attributes.alt ?? '';
    props.style = { width: rem(node.attributes.width) };
    if (rem(node.attributes.width) !== undefined) props[TRUE_WIDTH] = parseFloat(node.attributes.width ?? '');
    props.className = [node.attributes.class, 'able-picture'].filter(Boolean).join(' ');
    delete props.width;
    delete props.height;
  }
  if (node.name === 'svg') props.className = [node.attributes.class, 'able-figure'].filter(Boolean).join(' ');
  if (node.name === 'table' && node.namespace === 'html')
    props.className = [node.attributes.class, 'able-table'].filter(Boolean).join(' ');
  if (node.name === 'video' || node.name === 'audio') props.controls = true;
  return props;
}

const VOID = new Set(['img', 'br', 'hr', 'source', 'track', 'col']);

const isPicture = (node: ContentNode): boolean =>
  node.kind === 'element' && (node.name === 'img' || node.name === 'svg');

/** A drawing fills what it stands in, which is as wide as it says, or as wide as what it is drawn on. */
function drawingProps({ width, height, viewBox }: Readonly<Record<string, string>>) {
  const [, , across] = viewBox?.trim().split(/[\s,]+/) ?? [];
  const bare =
    width !== undefined && height !== undefined
      ? `0 0 ${parseFloat(width)} ${parseFloat(height)}`
      : undefined;
  return {
    widest: rem(width) ?? rem(across) ?? '100%',
    filling: {
      [TRUE_WIDTH]: parseFloat(width ?? across ?? '') || undefined,
      viewBox: viewBox ?? bare,
      width: undefined,
      height: undefined,
      style: { display: 'block', width: '100%', height: 'auto' },
    },
  };
}

/** A picture with its button; what an SVG holds is drawn as ever, without buttons of its own. */
function drawPicture(
  node: Extract<ContentNode, { kind: 'element' }>,
  key: number,
  slots: ContentSlots,
  props: Record<string, unknown>,
): ReactNode {
  // The side it stands at is that of the picture with its button.
  const [side, rest] = [true, false].map((wanted) =>
    String(props.className)
      .split(' ')
      .filter((name) => name.startsWith('qti-float-') === wanted)
      .join(' '),
  );
  if (node.name === 'img') {
    return (
      <Enlargeable key={key} widest="auto" side={side}>
        {createElement('img', { ...props, className: rest, key: 'picture' })}
      </Enlargeable>
    );
  }
  const { widest, filling } = drawingProps(node.attributes);
  const inside = drawAll(node.children, { ...slots, enlarge: false });
  return (
    <Enlargeable key={key} widest={widest} side={side}>
      {createElement('svg', { ...props, ...filling, className: rest, key: 'picture' }, ...inside)}
    </Enlargeable>
  );
}

function draw(node: ContentNode, key: number, slots: ContentSlots): ReactNode {
  switch (node.kind) {
    case 'text':
      return node.text;
    case 'element': {
      const { [DOCUMENT]: document } = node.attributes;
      if (document !== undefined)
        return (
          <DocumentLink key={key} path={document}>
            {drawAll(node.children, slots)}
          </DocumentLink>
        );
      const props = { key, ...propsOf(node, slots) };
      if (slots.enlarge && isPicture(node)) return drawPicture(node, key, slots, props);
      return VOID.has(node.name)
        ? createElement(node.name, props)
        : createElement(node.name, props, ...drawAll(tableSafe(node), slots));
    }
    case 'interaction':
      return <Fragment key={key}>{slots.interaction?.(node.interaction)}</Fragment>;
    case 'place':
      return (
        <Fragment key={key}>
          {slots.place?.(node.role, node.identifier, drawAll(node.children, slots))}
        </Fragment>
      );
    case 'feedback':
    case 'template':
    case 'printed':
      // Resolved when a question is delivered; in what is not delivered they show nothing.
      return null;
  }
}

/** Blank text between rows and cells is not allowed inside tables. */
function tableSafe(node: Extract<ContentNode, { kind: 'element' }>): Content {
  return /^(table|thead|tbody|tfoot|tr|colgroup)$/.test(node.name)
    ? node.children.filter((child) => child.kind !== 'text' || child.text.trim() !== '')
    : node.children;
}

const drawAll = (content: Content, slots: ContentSlots): ReactNode[] =>
  content.map((node, i) => draw(node, i, slots));

/** Draws content read from a package. It holds only allowed elements, so it is drawn as it is. */
export function ContentView({ content, slots }: { content: Content; slots: ContentSlots }) {
  const languages = useForeign(useContext(ContentLanguage));
  return <>{languages === null ? drawAll(content, slots) : drawForeign(content, slots, languages)}</>;
}

interface Languages {
  /** What the content is written in. */
  readonly content: string;
  /** What the page speaks, and so do the controls inside the content. */
  readonly page: string;
}
/** What the contents inside are written in; null where they do not say. */
export const ContentLanguage = createContext<string | null>(null);

/** Says what language the contents inside are written in; null where they do not say. */
export function WrittenIn({ language, children }: { language: string | null; children: ReactNode }) {
  return <ContentLanguage value={language}>{children}</ContentLanguage>;
}

/** Null where the content is in the page's own language, so that nothing has to be said of it. */
function useForeign(content: string | null): Languages | null {
  const page = useLanguage();
  return content === null || isSameLanguage(content, page) ? null : { content, page };
}

/** A title of the content: it says its language where that is not the page's own. */
export function ContentTitle({ language, children }: { language: string | null; children: string }) {
  return <span lang={useForeign(language)?.content}>{children}</span>;
}

/** What no title has in it. */
const MARK = '\u0000';

/** A sentence of ours with a title of the content in it, which says its language where that is not the page's own. */
export function SentenceWith({
  title,
  language,
  say,
}: {
  title: string;
  language: string | null;
  say: (title: string) => string;
}) {
  const foreign = useForeign(language);
  if (!foreign) return <>{say(title)}</>;
  const [before = '', ...after] = say(MARK).split(MARK);
  return (
    <span>
      {before}
      {after.length > 0 && <span lang={foreign.content}>{title}</span>}
      {after.join(title)}
    </span>
  );
}

/** Content in another language than the page's: its words carry their language, the controls among them the page's. */
function drawForeign(content: Content, slots: ContentSlots, { content: lang, page }: Languages): ReactNode {
  const inPage = (model: InteractionModel) => (
    <span lang={page} className={styles.asIs}>
      {slots.interaction?.(model)}
    </span>
  );
  const inside = { ...slots, interaction: slots.interaction && inPage };
  return content.map((node, i) => {
    if (node.kind === 'interaction') return draw(node, i, slots);
    if (node.kind === 'element')
      return draw({ ...node, attributes: { lang, ...node.attributes } }, i, inside);
    return (
      <span key={i} lang={lang} className={styles.asIs}>
        {draw(node, i, inside)}
      </span>
    );
  });
}
