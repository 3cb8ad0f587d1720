import { FEEDBACK_CLASS } from '../item/delivered';
import { interactionOf } from '../interactions';
import type { Offer } from '../interactions/offer';
import type { InteractionModel } from '../interactions/types';
import type { Variable } from '../processing/context';
import { contentText, type Content, type ContentNode } from '../content/content';
import { SPOKEN, type Catalog } from '../item/catalog';
import { own } from '../own';
import { printValue } from '../content/print';
import { shuffled } from '../content/random';
import { formatScalar, scalarsOf, type Value } from '../content/value';

/** What decides how content looks in one attempt. */
export interface ContentView {
  /** Mixes choices; the same sequence mixes the same way. */
  readonly random: () => number;
  readonly variables: ReadonlyMap<string, Variable>;
  /** Whether feedback may be seen yet. */
  readonly feedback: boolean;
  /** Cards this student has, by what marks them in the content; without, nothing is marked. */
  readonly cards?: Catalog;
  /** Whose catalog it is: what marks point to is told apart from other files'. */
  readonly catalog?: string;
}

/** Whether a variable holds an identifier: is it, or has it among its values. */
export function holdsIdentifier(value: Value, identifier: string): boolean {
  return scalarsOf(value).some((scalar) => formatScalar(scalar) === identifier);
}

/** Whether feedback is told as outcomes are: its outcome holds its identifier, or (`show` false) does not. */
export const isTold = (
  {
    outcome,
    identifier,
    show,
  }: { readonly outcome: string; readonly identifier: string; readonly show: boolean },
  outcomes: Readonly<Record<string, Value>>,
): boolean => holdsIdentifier(own(outcomes, outcome) ?? null, identifier) === show;

const valueOf = (view: ContentView, name: string): Value => view.variables.get(name)?.value ?? null;

/** A name in maths that stands for a template variable becomes its number (QTI 3.0, `math-variable`). */
function mathNode(node: Extract<ContentNode, { kind: 'element' }>, view: ContentView): ContentNode | null {
  if (node.namespace !== 'math' || !/^(mi|ci)$/.test(node.name)) return null;
  const [only, ...more] = node.children;
  const variable =
    only?.kind === 'text' && more.length === 0 ? view.variables.get(only.text.trim()) : undefined;
  if (variable?.kind !== 'template' || variable.value === null) return null;
  const text = scalarsOf(variable.value).map(formatScalar).join(' ');
  const isNumber = /^-?[\d.]/.test(text);
  return {
    ...node,
    name: isNumber ? 'mn' : node.name,
    children: [{ kind: 'text', text: text.replace('-', '\u2212') }],
  };
}

/**
 * Content as a student of this attempt may see it: feedback only when it may be and its outcome says so, template parts as
 * the variables say, printed variables as text, choices mixed. Built node by node: what is not named here is not delivered.
 */
export function deliverContent(content: Content, view: ContentView): Content {
  return content.flatMap((node): ContentNode[] => {
    switch (node.kind) {
      case 'text':
        return [node];
      case 'printed':
        return [{ kind: 'text', text: printValue(valueOf(view, node.variable), node.print) }];
      case 'template':
        return holdsIdentifier(valueOf(view, node.variable), node.identifier) === node.show
          ? [...deliverContent(node.children, view)]
          : [];
      case 'feedback': {
        const shown =
          view.feedback && holdsIdentifier(valueOf(view, node.outcome), node.identifier) === node.show;
        if (!shown) return [];
        const children = deliverContent(node.children, view);
        const attributes = { class: FEEDBACK_CLASS, role: 'note' };
        return [
          { kind: 'element', name: node.block ? 'div' : 'span', namespace: 'html', attributes, children },
        ];
      }
      case 'interaction':
        return [{ kind: 'interaction', interaction: deliverInteraction(node.interaction, view) }];
      case 'element':
        return [
          mathNode(node, view) ?? {
            ...node,
            attributes: marked(node.attributes, view),
            children: deliverContent(node.children, view),
          },
        ];
      case 'place':
        return [{ ...node, children: deliverContent(node.children, view) }];
    }
  });
}

/** A mark stays only where the student has a card for it; how something is spoken comes with what is spoken. */
function marked(
  attributes: Readonly<Record<string, string>>,
  { cards = {}, catalog = '' }: ContentView,
): Readonly<Record<string, string>> {
  const { [MARK]: id, ...rest } = attributes;
  if (id === undefined) return attributes;
  const mine = own(cards, id) ?? [];
  const spoken = mine.find(({ support }) => support === SPOKEN);
  return {
    ...rest,
    ...(mine.some(({ support }) => support !== SPOKEN) && { [MARK]: cardId(catalog, id) }),
    ...(spoken && { 'data-spoken': contentText(spoken.content) }),
  };
}
/** What an entry of a file's catalog is called among those of all files beside a question. */
export const cardId = (catalog: string, id: string): string => (catalog === '' ? id : `${catalog}#${id}`);
/** What points from content to a catalog entry (QTI 3.0). */
const MARK = 'data-catalog-idref';

/** What is offered by this attempt's variables. */
function offered(list: readonly Offer[], view: ContentView): readonly Offer[] {
  return list.filter(
    ({ identifier, template }) =>
      !template || holdsIdentifier(valueOf(view, template.variable), identifier) === template.show,
  );
}

/** An interaction as this attempt gets it: its contents delivered, what a template leaves out gone, choices mixed. */
function deliverInteraction(interaction: InteractionModel, view: ContentView): InteractionModel {
  const kind = interactionOf(interaction.type);
  const inner = (content: Content) => deliverContent(content, view);
  const valued = kind?.valued?.(interaction, (name) => valueOf(view, name)) ?? interaction;
  const shown = kind?.mapContents?.(valued, inner) ?? valued;
  const mixes = 'shuffle' in shown && shown.shuffle;
  const lists = new Map<string, unknown>(Object.entries(shown));
  const changed = (kind?.offers ?? []).map((name) => {
    const list = offered((lists.get(name) ?? []) as readonly Offer[], view);
    const mixed = mixes && kind?.shuffles?.includes(name);
    return [name, mixed ? shuffled(list, view.random, (member) => member.fixed) : list] as const;
  });
  return {
    ...shown,
    ...Object.fromEntries(changed),
    prompt: inner(shown.prompt),
    ...(shown.mates && { mates: shown.mates.map((mate) => deliverInteraction(mate, view)) }),
  };
}
