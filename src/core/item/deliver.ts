import { interactionOf } from '../interactions';
import type { InteractionModel } from '../interactions/types';
import { maximumScore } from '../processing/score';
import type { Content, ContentNode } from './content';
import type { DeliveredItem, DeliveredPart, DeliveredTest } from './delivered';
import type { Item, Stimulus } from './item';
import { seededRandom, shuffled } from './random';
import { directionsOf, type ItemRef, type Section, type Test } from './test';

/** Content without what must not be seen yet: feedback goes, interactions are mixed where they say so. */
function deliverContent(content: Content, random: () => number): Content {
  return content.flatMap((node): ContentNode[] => {
    switch (node.kind) {
      case 'feedback':
        return [];
      case 'interaction':
        return [{ kind: 'interaction', interaction: mixed(node.interaction, random) }];
      case 'element':
      case 'place':
        return [{ ...node, children: deliverContent(node.children, random) }];
      default:
        return [node];
    }
  });
}

function mixed(interaction: InteractionModel, random: () => number): InteractionModel {
  if (interaction.shuffle !== true) return interaction;
  const lists = interactionOf(interaction.type)?.shuffles ?? [];
  const changed = lists.map((name) => {
    const list = interaction[name] as readonly { fixed: boolean }[];
    return [name, shuffled(list, random, (member) => member.fixed)] as const;
  });
  return { ...interaction, ...Object.fromEntries(changed) };
}

/** An item for one attempt. The same seed mixes the same way. */
export function deliverItem(item: Item, ref: string, seed: string): DeliveredItem {
  return {
    ref,
    body: deliverContent(item.body, seededRandom(`${seed}/${ref}`)),
    responses: item.responses.map(({ identifier, cardinality, baseType }) => ({
      identifier,
      cardinality,
      baseType,
    })),
    stimuli: item.stimuli,
    points: maximumScore(item),
  };
}

/** The item references of a section as this attempt gets them: selected, then mixed (QTI 3.0, "selection", "ordering"). */
function chosenRefs(section: Section, random: () => number): ItemRef[] {
  const picked = section.selection ? select(section, random) : section.children;
  const inOrder = section.shuffle ? shuffled(picked, random, (child) => child.fixed) : picked;
  return inOrder.flatMap((child) => (child.kind === 'item' ? [child] : chosenRefs(child, random)));
}

function select(section: Section, random: () => number): Section['children'] {
  const { children, selection } = section;
  if (!selection || selection.select >= children.length) return children;
  const required = children.filter((child) => child.required);
  const rest = shuffled(
    children.filter((child) => !child.required),
    random,
    () => false,
  );
  const taken = new Set([...required, ...rest.slice(0, Math.max(0, selection.select - required.length))]);
  return children.filter((child) => taken.has(child));
}

function assetsIn(content: Content, found: Set<string>): void {
  for (const node of content) {
    if (node.kind === 'element') {
      for (const link of [node.attributes.src, node.attributes.poster])
        if (link && node.namespace === 'html') found.add(link);
    }
    if (node.kind === 'interaction') assetsInModel(node.interaction, found);
    if ('children' in node) assetsIn(node.children, found);
  }
}

/** Interactions keep content in properties of their own; every content node in them is found by its `kind`. */
function assetsInModel(value: unknown, found: Set<string>): void {
  if (Array.isArray(value)) value.forEach((member) => assetsInModel(member, found));
  else if (typeof value === 'object' && value !== null) {
    if ('kind' in value) assetsIn([value as ContentNode], found);
    else Object.values(value).forEach((member) => assetsInModel(member, found));
  }
}

/** The whole test for one attempt: everything the browser needs, and nothing it must not have. */
export function deliverTest(
  test: Test,
  items: ReadonlyMap<string, Item>,
  stimuli: ReadonlyMap<string, Stimulus>,
  seed: string,
): DeliveredTest {
  const random = seededRandom(`${seed}/order`);
  const delivered: Record<string, DeliveredItem> = {};
  const used: Record<string, { title: string; body: Content }> = {};
  const found = new Set<string>();
  const parts = test.parts.map((part): DeliveredPart => ({
    identifier: part.identifier,
    title: part.title,
    navigation: part.navigation,
    sections: part.sections.map((section) => ({
      identifier: section.identifier,
      title: section.title,
      directions: section.rubrics
        .filter((one) => one.views.includes('candidate'))
        .flatMap((one) => [...one.content]),
      items: chosenRefs(section, random).flatMap((ref) => {
        const item = items.get(ref.item);
        if (!item) return [];
        const one = deliverItem(item, ref.identifier, seed);
        delivered[ref.identifier] = one;
        assetsIn(one.body, found);
        for (const identifier of one.stimuli) {
          const stimulus = stimuli.get(identifier);
          if (stimulus && !used[identifier]) {
            used[identifier] = { title: stimulus.title, body: deliverContent(stimulus.body, random) };
            assetsIn(stimulus.body, found);
          }
        }
        return [ref.identifier];
      }),
    })),
  }));
  const partLimits = test.parts.map((part) => part.timeLimits.maximum);
  const timeLimit = test.timeLimits.maximum ?? (partLimits.length === 1 ? (partLimits[0] ?? null) : null);
  return {
    title: test.title,
    directions: directionsOf(test),
    timeLimit,
    parts,
    items: delivered,
    stimuli: used,
    assets: [...found],
  };
}
