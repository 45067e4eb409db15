/** Imports point one way (docs/architecture.md). */
const chapters = 'load|fastener|deck|plate|hull|opening|rig|galvanic|bedding|repair|layout'
module.exports = {
  forbidden: [
    { name: 'no-circle', severity: 'error', from: { pathNot: 'node_modules' }, to: { circular: true } },
    { name: 'core-stands-alone', comment: 'the core knows no screen, no server, no Node', severity: 'error', from: { path: '^packages/core/src' }, to: { path: '^packages/(web|server|e2e)|^(fs|path|http|crypto|os|child_process)$|node_modules/(vue|express|sequelize|pg)' } },
    { name: 'web-uses-core-only', severity: 'error', from: { path: '^packages/web/src' }, to: { path: '^packages/(server|e2e)' } },
    { name: 'server-uses-core-only', severity: 'error', from: { path: '^packages/server/src' }, to: { path: '^packages/(web|e2e)' } },
    { name: 'e2e-uses-the-surface-only', severity: 'error', from: { path: '^packages/e2e' }, to: { path: '^packages/(core|web|server)' } },
    { name: 'materials-below-chapters', severity: 'error', from: { path: '^packages/core/src/(materials|quantity|verdict|geometry)/' }, to: { path: `^packages/core/src/(${chapters}|fitting|drawing|registry|boat|register)` } },
    { name: 'chapters-do-not-reach-up', comment: 'only fitting, register, boat and plan use several chapters', severity: 'error', from: { path: `^packages/core/src/(${chapters})/` }, to: { path: '^packages/core/src/(fitting|drawing|registry|boat|register|catalogue|schools)' } },
    { name: 'registry-for-users-only', severity: 'error', from: { path: '^packages/core/src/', pathNot: '^packages/core/src/(registry|cli)\\.ts$' }, to: { path: '^packages/core/src/registry' } },
  ],
  options: { tsConfig: { fileName: 'tsconfig.json' }, tsPreCompilationDeps: true, doNotFollow: { path: 'node_modules' }, enhancedResolveOptions: { extensions: ['.ts', '.js', '.vue', '.mjs'] } },
}
