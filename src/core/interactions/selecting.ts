import { responseTexts, type RawResponse } from '../content/response';

/** What a press does: the new response, or why nothing changed. */
export type Selection =
  | { readonly kind: 'changed'; readonly response: RawResponse }
  | { readonly kind: 'full'; readonly maximum: number };

/**
 * Presses one of several things that can be chosen. Where only one may be chosen the mark moves; else one over the
 * maximum changes nothing and says so (items.md: neither taken silently nor drops another). Pressing again takes it back.
 * @param order every identifier, in the order the response lists them
 * @param maximum 0 = any number
 */
export function pressOne(
  order: readonly string[],
  maximum: number,
  response: RawResponse,
  identifier: string,
  multiple: boolean,
): Selection {
  const chosen = responseTexts(response);
  if (chosen.includes(identifier)) {
    const rest = chosen.filter((other) => other !== identifier);
    return { kind: 'changed', response: rest.length > 0 ? rest : null };
  }
  if (!multiple) return { kind: 'changed', response: identifier };
  if (maximum === 1) return { kind: 'changed', response: [identifier] };
  if (maximum > 0 && chosen.length >= maximum) return { kind: 'full', maximum };
  const next = new Set([...chosen, identifier]);
  return { kind: 'changed', response: order.filter((one) => next.has(one)) };
}
