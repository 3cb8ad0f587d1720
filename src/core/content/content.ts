import { mathText } from './mathText';
import type { InteractionModel } from './interaction';

/**
 * What may be shown to a student: a tree of allowed elements and of places where something happens. It is built by
 * allow-list when a package is imported, so nothing a script could hide in gets this far.
 */
export type ContentNode =
  | { readonly kind: 'text'; readonly text: string }
  | {
      readonly kind: 'element';
      readonly name: string;
      readonly namespace: 'html' | 'svg' | 'math';
      readonly attributes: Readonly<Record<string, string>>;
      readonly children: readonly ContentNode[];
    }
  | { readonly kind: 'interaction'; readonly interaction: InteractionModel }
  | {
      readonly kind: 'place';
      readonly role: 'gap' | 'hottext';
      readonly identifier: string;
      readonly children: readonly ContentNode[];
    }
  | {
      readonly kind: 'feedback';
      readonly block: boolean;
      readonly outcome: string;
      readonly identifier: string;
      readonly show: boolean;
      readonly children: readonly ContentNode[];
    }
  | {
      readonly kind: 'template';
      readonly variable: string;
      readonly identifier: string;
      readonly show: boolean;
      readonly children: readonly ContentNode[];
    }
  | { readonly kind: 'printed'; readonly variable: string; readonly print: PrintSettings };

/** How a printed variable looks (QTI 3.0, "printed variable"). */
export interface PrintSettings {
  readonly format: string | null;
  /** Which member of a container, from 1. */
  readonly index: number | null;
  readonly field: string | null;
  readonly delimiter: string;
}
export type Content = readonly ContentNode[];

/** Every node below, in reading order, without going into interactions. */
export function* walkContent(content: Content): Generator<ContentNode> {
  for (const node of content) {
    yield node;
    if ('children' in node) yield* walkContent(node.children);
  }
}

/** An interaction and those drawn inside it. */
export const withMates = (interaction: InteractionModel): readonly InteractionModel[] => [
  interaction,
  ...(interaction.mates ?? []),
];

/** The interactions of a body, in reading order. */
export function interactionsOf(content: Content): InteractionModel[] {
  const found: InteractionModel[] = [];
  for (const node of walkContent(content))
    if (node.kind === 'interaction') found.push(...withMates(node.interaction));
  return found;
}

/** The words of a content tree, blanks folded; a picture is its alt text, maths its `alttext` or else as it would be typed. */
export function contentText(content: Content): string {
  const wordsOf = (node: ContentNode): string => {
    if (node.kind === 'text') return node.text;
    if (node.kind === 'element') {
      const instead = node.name === 'img' ? (node.attributes.alt ?? '') : node.attributes.alttext;
      if (instead !== undefined) return ` ${instead} `;
      if (node.namespace === 'math') return mathText(node);
    }
    return 'children' in node ? node.children.map(wordsOf).join('') : '';
  };
  return content.map(wordsOf).join('').replace(/\s+/g, ' ').trim();
}

/** Whether content says something only in pictures or maths, which not every reader of labels can read. */
export function needsWords(content: Content): boolean {
  for (const node of walkContent(content)) {
    if (node.kind === 'element' && (node.namespace !== 'html' || node.name === 'img')) return true;
  }
  return false;
}

/** Whether a text brings numbers of its own paragraphs, one after another; then nobody numbers them again. */
export function numbersItsParagraphs(content: Content): boolean {
  const begins = content
    .filter((node) => node.kind === 'element' && node.name === 'p')
    .map((node) => /^[([]?(\d{1,3})(?![\d.,:])/.exec(contentText([node]))?.[1])
    .filter((number) => number !== undefined)
    .map(Number);
  return begins.length > 1 && begins.every((number, i) => i === 0 || number === (begins[i - 1] ?? 0) + 1);
}

/** What a link says of the document of the package that it leads to: its path. */
export const DOCUMENT = 'data-document';
