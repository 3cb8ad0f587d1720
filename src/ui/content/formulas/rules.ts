/** Where the rules of the engine lie, by the names it has for them; the app ships them. */
const RULES: Readonly<Record<string, () => URL>> = {
  base: () => new URL('../../../../node_modules/speech-rule-engine/lib/mathmaps/base.json', import.meta.url),
  nemeth: () =>
    new URL('../../../../node_modules/speech-rule-engine/lib/mathmaps/nemeth.json', import.meta.url),
  en: () => new URL('../../../../node_modules/speech-rule-engine/lib/mathmaps/en.json', import.meta.url),
  de: () => new URL('../../../../node_modules/speech-rule-engine/lib/mathmaps/de.json', import.meta.url),
  fr: () => new URL('../../../../node_modules/speech-rule-engine/lib/mathmaps/fr.json', import.meta.url),
  it: () => new URL('../../../../node_modules/speech-rule-engine/lib/mathmaps/it.json', import.meta.url),
};

/** The rules of one locale, as text. @throws Error without network, or for one that is not shipped */
export async function shippedRules(locale: string): Promise<string> {
  const address = RULES[locale]?.();
  if (!address) throw new Error(`there are no rules for ${locale}`);
  const answer = await fetch(address);
  if (!answer.ok) throw new Error(`the rules for ${locale} did not come: ${answer.status}`);
  return answer.text();
}
