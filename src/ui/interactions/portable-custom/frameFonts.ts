import { dataUrlAt } from '../../kit/dataUrl';

/** Faces a frame is given at most: regular, bold and slanted of one or two families. */
const MOST = 8;

const unquoted = (text: string) => text.replace(/^["']|["']$/g, '').trim();

/** Every `@font-face` of the page, also inside layers and conditions. */
function facesIn(rules: Iterable<CSSRule>): CSSFontFaceRule[] {
  return [...rules].flatMap((rule) => {
    if (rule instanceof CSSFontFaceRule) return [rule];
    return 'cssRules' in rule ? facesIn((rule as CSSGroupingRule).cssRules) : [];
  });
}

const made = new Map<string, Promise<string>>();

/** The page's own letters as style rules with the fonts in them: a frame can fetch none. What cannot be had is left out. */
export function frameFonts(families: string): Promise<string> {
  const known = made.get(families);
  if (known) return known;
  const wanted = new Set(families.split(',').map((one) => unquoted(one.trim())));
  const faces = [...document.styleSheets]
    .flatMap((sheet) => facesIn(sheet.cssRules))
    .filter(({ style }) => wanted.has(unquoted(style.getPropertyValue('font-family'))))
    // Letters of other scripts come from the device.
    .filter(({ style }) => /^$|U\+(0+-0*ff|0*30\b)/i.test(style.getPropertyValue('unicode-range')))
    .slice(0, MOST);
  const rules = Promise.all(
    faces.map(async ({ style, parentStyleSheet }) => {
      const [, path] = /url\(["']?([^"')]+)["']?\)/.exec(style.getPropertyValue('src')) ?? [];
      if (path === undefined) return '';
      const data = await dataUrlAt(new URL(path, parentStyleSheet?.href ?? document.baseURI).href);
      const of = (name: string) =>
        style.getPropertyValue(name) ? `${name}:${style.getPropertyValue(name)};` : '';
      return data === null
        ? ''
        : `@font-face{font-family:${style.getPropertyValue('font-family')};${of('font-weight')}${of('font-style')}src:url(${data}) format("woff2")}`;
    }),
  ).then((all) => all.join('\n'));
  made.set(families, rules);
  return rules;
}
