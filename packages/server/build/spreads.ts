import ts from 'typescript'
import type { Plugin } from 'vite'

const f = ts.factory
/** `{ ...a, b }` as `Object.assign({}, a, { b })`; one with nothing but a copy stays as it is. */
function assigned(n: ts.ObjectLiteralExpression): ts.Expression {
  if (n.properties.length < 2 || !n.properties.some(ts.isSpreadAssignment)) return n
  const parts: ts.Expression[] = []
  let own: ts.ObjectLiteralElementLike[] = []
  const put = () => {
    if (own.length || !parts.length) parts.push(f.createObjectLiteralExpression(own))
    own = []
  }
  for (const p of n.properties)
    if (ts.isSpreadAssignment(p)) {
      put()
      parts.push(p.expression)
    } else own.push(p)
  if (own.length) put()
  const assign = f.createPropertyAccessExpression(f.createIdentifier('Object'), 'assign')
  return f.createCallExpression(assign, undefined, parts)
}
const lowered: ts.TransformerFactory<ts.SourceFile> = (context) => {
  const visit = (n: ts.Node): ts.Node => {
    const seen = ts.visitEachChild(n, visit, context)
    return ts.isObjectLiteralExpression(seen) ? assigned(seen) : seen
  }
  return (file) => ts.visitNode(file, visit) as ts.SourceFile
}
/** A source without its types and without spreads that add to a copy. */
export const withoutSpreads = (source: string) =>
  ts.transpileModule(source, {
    compilerOptions: { target: ts.ScriptTarget.ESNext, module: ts.ModuleKind.ESNext },
    transformers: { before: [lowered] },
  }).outputText

/**
 * The core as the server runs it. Node 20 copies an object and then looks up anew every property that is
 * added to the copy, which was half of all judging took; browsers do not. Only of the core, whose objects
 * were read by a schema: a key named __proto__ is not among them.
 */
export const spreads = (): Plugin => ({
  name: 'spreads',
  enforce: 'pre',
  transform: {
    filter: { id: /packages\/core\/(?:src|speed)\/.*\.ts$/ },
    // Half of the files have none, and are left to whoever is faster.
    handler: (source) => (source.includes('...') ? { code: withoutSpreads(source), map: null } : null),
  },
})
