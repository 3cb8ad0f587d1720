import { BASE_TYPES } from '../../content/value';
import { writeMarkup } from '../../xml/write';
import { elementsOf, type XmlElement, type XmlNode } from '../../xml/xml';
import { defineReader, type ReadContext } from '../reading';
import {
  FILE_PREFIX,
  PORTABLE_LIMITS,
  portableCustom,
  type PortableCustomModel,
  type PortableModule,
} from './index';

const XHTML = 'http://www.w3.org/1999/xhtml';
/** Namespaces that stay what they are; everything else in the markup is XHTML, whose namespace QTI takes as its own. */
const KEPT = new Set(['http://www.w3.org/2000/svg', 'http://www.w3.org/1998/Math/MathML']);
/** Attributes that name a file, by element. */
const FILES: Readonly<Record<string, string>> = {
  img: 'src',
  image: 'href',
  audio: 'src',
  video: 'src',
  source: 'src',
};
/** Where a file of settings says where modules are. */
const CONFIGURATIONS = ['primary-configuration', 'secondary-configuration'] as const;

/** The markup with its files found; scripts and handlers in it are set aside: the program is in its modules. */
function markupOf(element: XmlElement, context: ReadContext, files: Set<string>): XmlElement {
  const { report } = context;
  const children = element.children.flatMap((child): XmlNode[] => {
    if (child.kind === 'text') return [child];
    if (child.name === 'script') {
      report.warn('script-set-aside', child.line, 'a script in the markup is not run');
      return [];
    }
    return [markupOf(child, context, files)];
  });
  const attributes: Record<string, string> = {};
  for (const [name, value] of Object.entries(element.attributes)) {
    if (/^on/i.test(name)) report.warn('script-set-aside', element.line, `the script in ${name} is not run`);
    else if (name === FILES[element.name] && !value.startsWith('data:')) {
      const path = context.asset(value);
      if (path === '') continue;
      files.add(path);
      attributes[name] = `${FILE_PREFIX}${path}`;
    } else attributes[name] = value;
  }
  const namespace = KEPT.has(element.namespace) ? element.namespace : XHTML;
  return { ...element, namespace, attributes, children };
}

/** Where modules are, as files of settings say: the first of each that is in the package. */
function configuredPaths(element: XmlElement | undefined, context: ReadContext): Map<string, string[]> {
  const paths = new Map<string, string[]>();
  for (const name of CONFIGURATIONS) {
    const href = element?.attributes[name];
    if (element === undefined || href === undefined) continue;
    const text = context.source(href);
    let read: unknown = null;
    try {
      read = text === null ? null : JSON.parse(text);
    } catch {
      read = null;
    }
    const listed = typeof read === 'object' && read !== null && 'paths' in read ? read.paths : null;
    if (typeof listed !== 'object' || listed === null) {
      context.report.warn(
        'configuration-set-aside',
        element.line,
        `"${href}" says no paths of modules in JSON; it is set aside`,
      );
      continue;
    }
    for (const [id, where] of Object.entries(listed)) {
      const all = (Array.isArray(where) ? where : [where]).filter(
        (one): one is string => typeof one === 'string',
      );
      paths.set(id, [...(paths.get(id) ?? []), ...all]);
    }
  }
  return paths;
}

/** Every module with its program, from its own path, its fallback, or where the settings say; reports what is not in the package. */
function modulesOf(element: XmlElement, context: ReadContext): PortableModule[] {
  const [holder] = elementsOf(element, 'qti-interaction-modules');
  const configured = configuredPaths(holder, context);
  const written = (holder ? elementsOf(holder, 'qti-interaction-module') : []).map(
    ({ attributes, line }) => ({
      id: attributes.id ?? '',
      line,
      paths: [attributes['primary-path'], attributes['fallback-path']].filter((one) => one !== undefined),
    }),
  );
  const named = new Set(written.map(({ id }) => id));
  const more = [...configured].flatMap(([id, paths]) =>
    named.has(id) ? [] : [{ id, line: element.line, paths }],
  );
  return [...written, ...more].flatMap(({ id, line, paths }): PortableModule[] => {
    const tried = [...paths, ...(configured.get(id) ?? [])].flatMap((path) => [path, `${path}.js`]);
    const source = tried.reduce<string | null>((found, path) => found ?? context.source(path), null);
    if (id === '' || source === null) {
      context.report.error(
        'missing-file',
        line,
        `the module "${id}" is not in the package (${paths.join(', ') || 'no path is given'}); modules from elsewhere are not fetched`,
      );
      return [];
    }
    return [{ id, source }];
  });
}

const SET_ASIDE = ['qti-context-variable', 'qti-stylesheet', 'qti-catalog-info'] as const;

/** Reads `qti-portable-custom-interaction` of others than us. */
export const portableCustomReader = defineReader<PortableCustomModel>({
  kind: portableCustom,
  element: 'qti-portable-custom-interaction',
  binds: (['single', 'multiple', 'ordered'] as const).map((cardinality) => ({
    cardinality,
    baseTypes: BASE_TYPES.filter((one) => one !== 'file'),
  })),
  read(element, context) {
    const { attributes, line } = element;
    const modules = modulesOf(element, context);
    const module = attributes.module ?? modules[0]?.id ?? '';
    if (modules.length > 0 && !modules.some(({ id }) => id === module))
      context.report.error(
        'property',
        line,
        `it begins with the module "${module}", which is none of its modules`,
      );
    if (modules.length === 0) context.report.error('property', line, 'it names no modules');
    const letters = modules.reduce((sum, { source }) => sum + source.length, 0);
    if (letters > PORTABLE_LIMITS.program)
      context.report.error(
        'too-large',
        line,
        `its program has ${letters} letters, more than ${PORTABLE_LIMITS.program}`,
      );
    for (const name of SET_ASIDE)
      for (const one of elementsOf(element, name))
        context.report.warn(
          'element-set-aside',
          one.line,
          `<${name}> inside a portable custom interaction is set aside`,
        );
    const files = new Set<string>();
    const [markup] = elementsOf(element, 'qti-interaction-markup');
    const inside = markup ? markupOf(markup, context, files) : null;
    return {
      typeIdentifier: attributes['custom-interaction-type-identifier'] ?? '',
      module,
      modules,
      properties: Object.fromEntries(
        Object.entries(attributes).flatMap(([name, value]) =>
          name.startsWith('data-') ? [[name.slice('data-'.length), value]] : [],
        ),
      ),
      markup: inside ? writeMarkup({ ...inside, name: 'div', attributes: {} }) : '',
      files: [...files],
      variables: elementsOf(element, 'qti-template-variable').map(
        (one) => one.attributes['template-identifier'] ?? '',
      ),
      values: {},
    };
  },
});
