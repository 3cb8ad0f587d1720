import { luminance } from './contrast';
import { paletteOf } from './palette';

/** The colours a screen is made of. Every scheme fills the same places; components only ever name the place. */
export interface Palette {
  /** Behind everything. */
  readonly ground: string;
  /** Sheets, cards, fields. */
  readonly sheet: string;
  readonly ink: string;
  /** Second voice: labels, hints. Still 7:1. */
  readonly soft: string;
  /** Edges of controls: 3:1. */
  readonly edge: string;
  /** Decorative lines. */
  readonly line: string;
  readonly accent: string;
  readonly onAccent: string;
  readonly wash: string;
  /** "Here": ring of the present question, tools that are on. */
  readonly here: string;
  readonly hereWash: string;
  readonly flag: string;
  readonly focus: string;
  /** Highlighter colours, behind ink. */
  readonly marigold: string;
  readonly kelp: string;
  readonly heather: string;
  readonly surf: string;
}
export interface Scheme {
  readonly id: SchemeId;
  readonly dark: boolean;
  readonly palette: Palette;
}
/**
 * How pictures are shown: in dark schemes a little darker, so that a white one does not glare out of a dark page (common practice, no
 * source); turned around where that is asked for, the hues kept.
 */
export const PICTURES = {
  light: {
    '--picture': 'none',
    '--picture-ground': '#ffffff',
    '--figure-ground': 'transparent',
    '--figure-ink': 'inherit',
    '--blend': 'darken',
  },
  dark: {
    '--picture': 'brightness(0.8)',
    '--picture-ground': '#cccccc',
    '--figure-ground': '#ffffff',
    '--figure-ink': '#1d2b2f',
    '--blend': 'lighten',
  },
  inverted: {
    '--picture': 'invert(1) hue-rotate(180deg)',
    '--picture-ground': '#000000',
    '--figure-ground': '#ffffff',
    '--figure-ink': '#1d2b2f',
  },
  /** The system's own contrast colors may be light on dark: a figure brings its own ground. */
  forced: { '--figure-ground': '#ffffff', '--figure-ink': '#000000' },
} as const;

export const SCHEME_IDS = [
  'paper',
  'snow',
  'mist',
  'primrose',
  'rose',
  'sea',
  'mint',
  'dusk',
  'night',
  'slate',
  'lantern',
] as const;
export type SchemeId = (typeof SCHEME_IDS)[number];

/** A scheme made of its two colours. */
const made = (id: SchemeId, ink: string, sheet: string): Scheme => ({
  id,
  dark: luminance(sheet) < luminance(ink),
  palette: paletteOf({ ink, sheet }),
});

export const SCHEMES: Readonly<Record<SchemeId, Scheme>> = {
  paper: {
    id: 'paper',
    dark: false,
    palette: {
      ground: '#f3efe6',
      sheet: '#fffdf8',
      ink: '#1d2b2f',
      soft: '#465055',
      edge: '#74807b',
      line: '#d8d0c0',
      accent: '#0e5a54',
      onAccent: '#ffffff',
      wash: '#e2efec',
      here: '#b06a06',
      hereWash: '#fbecd0',
      flag: '#a83a26',
      focus: '#0b4f8a',
      marigold: '#ffe08a',
      kelp: '#c5e8c8',
      heather: '#e6d5f2',
      surf: '#c9e6f7',
    },
  },
  mist: {
    id: 'mist',
    dark: false,
    palette: {
      ground: '#dfe8ee',
      sheet: '#eef4f8',
      ink: '#10212b',
      soft: '#374955',
      edge: '#647684',
      line: '#bccad4',
      accent: '#0a4a66',
      onAccent: '#ffffff',
      wash: '#d5e6ef',
      here: '#8f5200',
      hereWash: '#f6e6c8',
      flag: '#962f1e',
      focus: '#5a2d91',
      marigold: '#ffe08a',
      kelp: '#bfe3c4',
      heather: '#e0d0ef',
      surf: '#bfe0f5',
    },
  },
  primrose: {
    id: 'primrose',
    dark: false,
    palette: {
      ground: '#f5ecc0',
      sheet: '#fdf7d6',
      ink: '#101010',
      soft: '#3f3b28',
      edge: '#726a45',
      line: '#d9cf9d',
      accent: '#1c3f7a',
      onAccent: '#ffffff',
      wash: '#ece8cf',
      here: '#8a4b00',
      hereWash: '#f7dfae',
      flag: '#8f2c1c',
      focus: '#7a1260',
      marigold: '#ffd25e',
      kelp: '#bfe0b0',
      heather: '#e3cdee',
      surf: '#c3e2f2',
    },
  },
  dusk: {
    id: 'dusk',
    dark: true,
    palette: {
      ground: '#14201f',
      sheet: '#1c2b2a',
      ink: '#f2efe6',
      soft: '#c6cfca',
      edge: '#8a9a95',
      line: '#3a4b49',
      accent: '#8fd3c7',
      onAccent: '#0d1a19',
      wash: '#263f3c',
      here: '#f0ac4a',
      hereWash: '#46371c',
      flag: '#ff9d85',
      focus: '#ffd27a',
      marigold: '#5f4a10',
      kelp: '#1f5138',
      heather: '#4d3a63',
      surf: '#1b4a66',
    },
  },
  lantern: {
    id: 'lantern',
    dark: true,
    palette: {
      ground: '#000000',
      sheet: '#000000',
      ink: '#ffee58',
      soft: '#f5e050',
      edge: '#c9b93a',
      line: '#6b6420',
      accent: '#ffee58',
      onAccent: '#000000',
      wash: '#2b2800',
      here: '#7fd7ff',
      hereWash: '#00324a',
      flag: '#ffb3a1',
      focus: '#ffffff',
      marigold: '#4d3f00',
      kelp: '#004a24',
      heather: '#4a1f66',
      surf: '#004060',
    },
  },
  snow: made('snow', '#000000', '#ffffff'),
  rose: made('rose', '#2a1016', '#fbe9ea'),
  sea: made('sea', '#0a1e33', '#e3f1fb'),
  mint: made('mint', '#0c2415', '#e4f5e6'),
  night: made('night', '#ffffff', '#000000'),
  slate: made('slate', '#f3f6fa', '#1b2a3d'),
};

/** Pairs that must be readable: text 7:1 (WCAG 2.2 §1.4.6), controls and graphics 3:1 (§1.4.11). */
export const TEXT_PAIRS: readonly (readonly [keyof Palette, keyof Palette])[] = [
  ['ink', 'ground'],
  ['ink', 'sheet'],
  ['ink', 'wash'],
  ['ink', 'hereWash'],
  ['ink', 'marigold'],
  ['ink', 'kelp'],
  ['ink', 'heather'],
  ['ink', 'surf'],
  ['soft', 'ground'],
  ['soft', 'sheet'],
  ['soft', 'wash'],
  ['accent', 'sheet'],
  ['onAccent', 'accent'],
  ['sheet', 'ink'],
];
export const GRAPHIC_PAIRS: readonly (readonly [keyof Palette, keyof Palette])[] = [
  ['edge', 'sheet'],
  ['edge', 'ground'],
  ['accent', 'ground'],
  ['accent', 'wash'],
  ['here', 'sheet'],
  ['here', 'ground'],
  ['here', 'hereWash'],
  ['flag', 'sheet'],
  ['flag', 'ground'],
  ['focus', 'sheet'],
  ['focus', 'ground'],
  ['focus', 'wash'],
  ['focus', 'hereWash'],
];

/**
 * Where the system's own contrast theme is on (CSS Color Adjustment 1, forced colors): its colors in the places of ours, so that what is
 * told by a fill or a ring is told still. Highlighted words keep their kinds of underline.
 */
export const FORCED: Palette = {
  ground: 'Canvas',
  sheet: 'Canvas',
  ink: 'CanvasText',
  soft: 'CanvasText',
  edge: 'CanvasText',
  line: 'GrayText',
  accent: 'Highlight',
  onAccent: 'HighlightText',
  wash: 'Canvas',
  here: 'LinkText',
  hereWash: 'Canvas',
  flag: 'LinkText',
  focus: 'Highlight',
  marigold: 'Canvas',
  kelp: 'Canvas',
  heather: 'Canvas',
  surf: 'Canvas',
};

/** The palette's CSS custom properties: `--ground`, `--on-accent`, … */
export const paletteVariables = (palette: Palette): Readonly<Record<string, string>> =>
  Object.fromEntries(
    Object.entries(palette).map(([name, value]) => [
      `--${name.replace(/[A-Z]/g, (c) => `-${c.toLowerCase()}`)}`,
      String(value),
    ]),
  );

/** The same as a style: `--ground:#f3efe6;…` */
export const cssVariables = (palette: Palette): string =>
  Object.entries(paletteVariables(palette))
    .map(([name, value]) => `${name}:${value}`)
    .join(';');
