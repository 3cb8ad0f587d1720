/** What content may be made of. Anything else is set aside and named in the import report. */

const words = (text: string) => new Set(text.trim().split(/\s+/));

/** The XHTML subset of the item body (QTI 3.0, "item body content"), without anything that runs, loads or submits. */
export const HTML_ELEMENTS = words(`
  a p div span br hr h1 h2 h3 h4 h5 h6 pre blockquote em strong b i u s sub sup small big code kbd samp var cite dfn q abbr acronym
  address tt del ins mark bdi bdo ruby rb rt rp
  ul ol li dl dt dd table caption colgroup col thead tbody tfoot tr th td
  img picture figure figcaption audio video source track section article aside header footer details summary label
`);
export const HTML_ATTRIBUTES = words(`
  id href class title lang dir alt src width height colspan rowspan headers scope span start type reversed value cite
  controls loop preload poster kind srclang label default datetime role
  aria-label aria-labelledby aria-describedby aria-hidden aria-level data-catalog-idref
`);

export const SVG_NAMESPACE = 'http://www.w3.org/2000/svg';
export const SPEECH_NAMESPACE = 'http://www.w3.org/2001/10/synthesis';
export const MATH_NAMESPACE = 'http://www.w3.org/1998/Math/MathML';

export const SVG_ELEMENTS = words(`
  svg g defs symbol title desc path rect circle ellipse line polyline polygon text tspan textPath marker
  linearGradient radialGradient stop clipPath pattern mask
`);
export const SVG_ATTRIBUTES = words(`
  id class viewBox width height x y x1 y1 x2 y2 cx cy r rx ry d points dx dy rotate transform preserveAspectRatio
  fill fill-opacity fill-rule stroke stroke-width stroke-linecap stroke-linejoin stroke-dasharray stroke-dashoffset stroke-opacity
  opacity color font-family font-size font-weight font-style text-anchor dominant-baseline baseline-shift letter-spacing
  marker-start marker-mid marker-end markerWidth markerHeight markerUnits refX refY orient offset stop-color stop-opacity
  gradientUnits gradientTransform spreadMethod fx fy clip-path clip-rule clipPathUnits mask patternUnits patternTransform
  textLength lengthAdjust startOffset vector-effect paint-order role aria-label aria-labelledby aria-hidden
`);

/** MathML Core and the usual presentation elements (W3C MathML 3 and Core). */
export const MATH_ELEMENTS = words(`
  math mrow mi mn mo ms mtext mspace mfrac msqrt mroot mstyle merror mpadded mphantom msub msup msubsup munder mover munderover
  mmultiscripts mprescripts none mtable mtr mtd menclose mfenced semantics annotation
`);
export const MATH_ATTRIBUTES = words(`
  id class dir display displaystyle mathvariant mathsize scriptlevel stretchy fence separator form accent accentunder largeop
  movablelimits symmetric maxsize minsize lspace rspace linethickness columnalign rowalign columnspacing rowspacing columnspan rowspan
  columnlines rowlines frame notation open close separators width height depth voffset alttext
`);

/** Elements whose contents go too, not only the tag. */
export const DROPPED_WHOLE = words(
  'script style iframe object embed form input button select textarea link meta base foreignObject',
);

/** A value that could load or run something; `#…` is a place of the same text. */
export const isUnsafeValue = (value: string): boolean =>
  /(javascript|data|vbscript):|url\s*\(\s*['"]?\s*(?!#)/i.test(value);
