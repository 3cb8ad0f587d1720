import type { Item } from '../item/item';
import type { Answerable } from '../item/progress';
import { deliverItem, type ItemSession } from './deliver';

const known = new WeakMap<Item, Answerable>();

/**
 * A question as far as answers to it go: what is offered in this attempt. Where nothing depends on values drawn it is the same for
 * everybody and made once.
 */
export function answerableItem(
  item: Item,
  ref: string,
  seed: string,
  templateDefaults: ItemSession['templateDefaults'] = {},
): Answerable {
  if (item.templates.length > 0)
    return deliverItem(item, ref, seed, { session: { tries: 0, outcomes: {}, templateDefaults } });
  const answerable = known.get(item) ?? deliverItem(item, ref, '');
  known.set(item, answerable);
  return answerable;
}
