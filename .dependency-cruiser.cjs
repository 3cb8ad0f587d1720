/** The import rules of the house: app → ui, server → core; cli → server, core; never back. See docs/architecture.md. */
const only = (name, from, allowed) => ({
  name,
  severity: 'error',
  comment: `src/${from} may import only ${allowed.map((a) => `src/${a}`).join(', ')} and packages`,
  from: { path: `^src/${from}/` },
  to: { path: '^src/', pathNot: `^src/(${[from, ...allowed].join('|')})/` },
});

/**
 * Rooms from the bottom up: each may use those before it, none those after it, so that no two rooms need one another. A test may
 * look at any room of its side.
 */
const storeys = (house, rooms) =>
  rooms.map((room, i) => ({
    name: `${house}-${room}-looks-down`,
    severity: 'error',
    comment: `${house}/${room} may use ${rooms.slice(0, i).join(', ') || 'no other room'} of ${house}`,
    from: { path: `^src/${house}/${room}/`, pathNot: '\\.test\\.tsx?$|/test[A-Z]\\w*\\.tsx?$' },
    to: {
      path: `^src/${house}/(${rooms.slice(i + 1).join('|') || 'none'})/`,
      dependencyTypesNot: ['type-only'],
    },
  }));

module.exports = {
  forbidden: [
    only('core-stands-alone', 'core', []),
    only('server-uses-core', 'server', ['core']),
    only('ui-uses-core', 'ui', ['core']),
    only('cli-uses-server-and-core', 'cli', ['server', 'core']),
    only('app-uses-ui-server-core', 'app', ['ui', 'server', 'core']),
    ...storeys('core', [
      'xml',
      'math',
      'content',
      'geometry',
      'view',
      'annotate',
      'statistics',
      'table',
      'roster',
      'access',
      'needs',
      'interactions',
      'item',
      'tools',
      'processing',
      'marking',
      'deliver',
      'sitting',
      'report',
      'attempt',
      'wire',
      'qti',
    ]),
    ...storeys('server', ['db', 'accounts', 'library', 'roster', 'delivery', 'results', 'marking', 'people']),
    ...storeys('ui', ['kit', 'content', 'attempt', 'interactions', 'tools', 'player', 'entry', 'desk']),
    {
      name: 'core-is-pure',
      severity: 'error',
      comment: 'the core has no React, no Next, no DOM library, no database',
      from: { path: '^src/core/', pathNot: '\\.test\\.ts$' },
      to: {
        path: '^(node:|fs$|path$)|node_modules/(react|react-dom|next|antd|better-sqlite3|idb|mathlive|use-intl|lucide-react)(/|$)',
        pathNot: '^node:(buffer)$',
      },
    },
    {
      name: 'reading-stays-on-the-server',
      severity: 'error',
      comment: 'no student loads the reading of XML, report texts or the expression language',
      from: {
        path: '^src/(ui|core/(attempt|sitting/form|item|interactions/(?!.*read)))',
        pathNot: '\\.test\\.tsx?$|/test[A-Z]\\w*\\.tsx?$|/read(ing|ers)?\\.ts$|/sitting\\.ts$',
      },
      to: { path: '^src/core/(qti|processing)/', dependencyTypesNot: ['type-only'] },
    },
    {
      name: 'no-circular',
      severity: 'error',
      comment: 'a cycle means one idea is spread over two files',
      from: { path: '^src/' },
      to: { circular: true, viaOnly: { dependencyTypesNot: ['type-only'] } },
    },
    {
      name: 'math-editor-loads-by-itself',
      severity: 'error',
      comment: 'MathLive is large: only the equation interaction loads it, lazily',
      from: { pathNot: '^src/ui/interactions/equation/' },
      to: { path: 'node_modules/mathlive' },
    },
  ],
  options: {
    doNotFollow: { path: 'node_modules' },
    tsPreCompilationDeps: true,
    tsConfig: { fileName: 'tsconfig.json' },
    enhancedResolveOptions: {
      exportsFields: ['exports'],
      conditionNames: ['import', 'require', 'node', 'default', 'types'],
    },
  },
};
