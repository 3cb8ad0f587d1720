import type { Content } from '../content/content';

/** One card of a catalog entry (QTI 3.0, `qti-card`): help of one kind with a marked word or passage. */
export interface CatalogCard {
  /** What it helps with: `glossary-on-screen`, `keyword-translation`, `spoken`, `ext:…`. */
  readonly support: string;
  /** BCP 47; null where the card does not say. */
  readonly language: string | null;
  readonly content: Content;
}
/** Cards by the identifier that content refers to (`data-catalog-idref`). */
export type Catalog = Readonly<Record<string, readonly CatalogCard[]>>;

/** What a student's needs ask for of catalogs. */
export interface CardNeeds {
  readonly supports: readonly string[];
  /** Languages a student reads besides the test's, BCP 47. */
  readonly languages: readonly string[];
}

/** The card that says how something is spoken: heard, not seen. */
export const SPOKEN = 'spoken';

const speaks = (language: string | null, wanted: readonly string[]): boolean =>
  language === null || wanted.some((one) => language === one || language.startsWith(`${one}-`));

/** The cards a student has: what the needs ask for, in a language the student reads; entries with none are left out. */
export function cardsFor(catalog: Catalog, { supports, languages }: CardNeeds): Catalog {
  const has = ({ support, language }: CatalogCard) =>
    supports.includes(support) && (support !== 'keyword-translation' || speaks(language, languages));
  return Object.fromEntries(
    Object.entries(catalog).flatMap(([id, cards]) => {
      const own = cards.filter(has);
      return own.length > 0 ? [[id, own] as const] : [];
    }),
  );
}
