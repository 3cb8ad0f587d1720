import { DOCUMENT, withMates, type Content } from '../content/content';
import { interactionOf } from '../interactions';
import type { DeliveredStimulus, DeliveredTest } from '../item/delivered';
import type { Stimulus } from '../item/item';
import { sheetName } from '../item/materials';
import { directionsOf, type Test } from '../item/test';

/** Adds the files that content shows, and the documents that its links lead to. */
export function assetsIn(content: Content, found: Set<string>, linked: Set<string>): void {
  for (const node of content) {
    if (node.kind === 'element' && node.namespace === 'html') {
      const { src, poster, [DOCUMENT]: document } = node.attributes;
      for (const link of [src, poster]) if (link) found.add(link);
      if (document) linked.add(document);
    }
    if (node.kind === 'interaction')
      for (const model of withMates(node.interaction)) {
        assetsIn(model.prompt, found, linked);
        // The kind names its contents; what comes back is the same and not needed.
        interactionOf(model.type)?.mapContents?.(model, (inner) => {
          assetsIn(inner, found, linked);
          return inner;
        });
      }
    if ('children' in node) assetsIn(node.children, found, linked);
  }
}

/** What is shown before a test is begun: its directions, with the documents they lead to and the files of all of it. */
export interface DeliveredDirections {
  readonly content: Content;
  readonly documents: DeliveredTest['stimuli'];
  readonly assets: readonly string[];
}
export function deliverDirections({
  test,
  stimuli,
}: {
  readonly test: Test;
  readonly stimuli: ReadonlyMap<string, Stimulus>;
}): DeliveredDirections {
  const content = directionsOf(test);
  const found = new Set<string>();
  const linked = new Set<string>();
  assetsIn(content, found, linked);
  const documents = deliverDocuments(linked, stimuli, test.language, found);
  return { content, documents: Object.fromEntries(documents), assets: [...found] };
}

/** The documents that links lead to: pages by the name they are kept under, with their files; a PDF is a file itself. */
export function deliverDocuments(
  linked: ReadonlySet<string>,
  stimuli: ReadonlyMap<string, Stimulus>,
  language: string | null,
  found: Set<string>,
): [string, DeliveredStimulus][] {
  return [...linked].flatMap((path): [string, DeliveredStimulus][] => {
    const name = sheetName({ path });
    const page = stimuli.get(name);
    if (!page) found.add(path);
    else assetsIn(page.body, found, new Set());
    return page ? [[name, { title: page.title, language: page.language ?? language, body: page.body }]] : [];
  });
}

/** Every file that these contents show. */
export function filesIn(contents: readonly Content[]): ReadonlySet<string> {
  const found = new Set<string>();
  for (const content of contents) assetsIn(content, found, new Set());
  return found;
}
