import { gzipSync } from 'node:zlib'
import { build, type InlineConfig, type Rolldown } from 'vite'
import { joined, type Piece } from './parts'

const PLACE = /src\/(places|kinds)\/.*(Place|QuickSum)\.vue$/
const named = (chunks: Rolldown.OutputChunk[], end: string) => {
  const found = chunks.find((c) => c.facadeModuleId?.endsWith(end))
  if (!found) throw new Error(`${end} is no file of its own: who loads it at a first visit is not known`)
  return found.fileName
}
/** What each first visit asks for: the door; or the frame and a place; on a bench by way of any bench. */
function visitsOf(chunks: Rolldown.OutputChunk[]): string[][] {
  const entry = named(chunks, '/index.html')
  const frame = [entry, named(chunks, '/src/Frame.vue')]
  const bench = named(chunks, '/places/bench/AnyBench.vue')
  const places = chunks.filter((c) => c.isDynamicEntry && PLACE.test(c.facadeModuleId ?? ''))
  return [
    [entry, named(chunks, '/sign-in/SignIn.vue')],
    ...places.map((c) => [
      ...frame,
      ...(c.facadeModuleId!.includes('/src/kinds/') ? [bench] : []),
      c.fileName,
    ]),
  ]
}

/** The file that each module goes into, found by building once without a word on it. */
export async function filesByVisit(given: InlineConfig): Promise<(id: string) => string | null> {
  const made = (await build({
    ...given,
    configFile: false,
    logLevel: 'silent',
    build: {
      ...given.build,
      write: false,
      minify: false,
      // Made by the part that works without a line, which is not built here.
      rolldownOptions: { external: ['virtual:pwa-register'] },
    },
  })) as Rolldown.RolldownOutput
  const chunks = made.output.filter((o) => o.type === 'chunk')
  const pieces = chunks.map((c): Piece => ({
    name: c.fileName,
    bytes: gzipSync(c.code).length,
    imports: c.imports,
    alone: c.facadeModuleId !== null,
  }))
  const modules = new Map(chunks.map((c) => [c.fileName, c.moduleIds]))
  const into = new Map<string, string>()
  for (const [i, files] of joined(pieces, visitsOf(chunks)).entries())
    for (const file of files) for (const id of modules.get(file) ?? []) into.set(id, `part-${i}`)
  return (id) => into.get(id) ?? null
}
