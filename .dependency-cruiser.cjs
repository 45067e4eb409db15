/** Imports point one way, floor upon floor, and no kind of work knows another (docs/architecture.md). */
const core = '^packages/core/src'
/** lowest first; each may use those before it */
const FLOORS = ['base', 'trade', 'drawing', 'chapters', 'boat', 'kinds']
const above = (floor) => FLOORS.slice(FLOORS.indexOf(floor) + 1).join('|')
const KINDS = ['deck-hardware', 'through-hull', 'opening', 'rig', 'closure', 'row']
const error = (name, from, to, comment) => ({
  name,
  severity: 'error',
  ...(comment ? { comment } : {}),
  from,
  to,
})

module.exports = {
  forbidden: [
    error('no-circle', { pathNot: 'node_modules' }, { circular: true }),
    {
      name: 'no-circle-of-folders',
      severity: 'error',
      scope: 'folder',
      from: { path: core },
      to: { circular: true },
    },
    error(
      'core-stands-alone',
      { path: core },
      {
        path: '^packages/(web|server|e2e)|^(fs|path|http|crypto|os|child_process)$|node_modules/(vue|express|sequelize|pg)',
      },
      'the core knows no screen, no server, no Node',
    ),
    ...FLOORS.filter((f) => above(f)).map((f) =>
      error(`${f}-does-not-reach-up`, { path: `${core}/${f}/` }, { path: `${core}/(${above(f)})/` }),
    ),
    error('trade-and-drawing-side-by-side', { path: `${core}/drawing/` }, { path: `${core}/trade/` }),
    ...KINDS.map((k) =>
      error(
        `${k}-knows-no-other-kind`,
        { path: `${core}/kinds/${k}/` },
        { path: `${core}/kinds/(?!${k}/)[^/]+/` },
        'what two kinds share goes down a floor',
      ),
    ),
    ...KINDS.map((k) =>
      error(
        `screen-of-${k}-knows-no-other-kind`,
        { path: `^packages/web/src/kinds/${k}/` },
        { path: `^packages/web/src/kinds/(?!${k}/)[^/]+/` },
      ),
    ),
    error(
      'registry-for-users-only',
      { path: core, pathNot: `${core}/chapters/(registry|cli)\\.ts$` },
      { path: `${core}/chapters/registry` },
    ),
    error('nobody-uses-the-index', { path: core }, { path: `${core}/index\\.ts$` }),
    error('web-uses-core-only', { path: '^packages/web/src' }, { path: '^packages/(server|e2e)' }),
    error(
      'pieces-know-no-place',
      { path: '^packages/web/src/(pieces|state|workers)/' },
      { path: '^packages/web/src/places/' },
    ),
    error('server-uses-core-only', { path: '^packages/server/src' }, { path: '^packages/(web|e2e)' }),
    error(
      'services-know-no-route',
      { path: '^packages/server/src/(services|models|jobs|pdf|migrations)/' },
      { path: '^packages/server/src/routes/' },
    ),
    error('e2e-uses-the-surface-only', { path: '^packages/e2e' }, { path: '^packages/(core|web|server)' }),
  ],
  options: {
    tsConfig: { fileName: 'tsconfig.json' },
    tsPreCompilationDeps: true,
    doNotFollow: { path: 'node_modules' },
    enhancedResolveOptions: { extensions: ['.ts', '.js', '.vue', '.mjs'] },
  },
}
