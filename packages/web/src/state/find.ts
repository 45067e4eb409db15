import dayjs from 'dayjs'
import MiniSearch from 'minisearch'
import { lifeSaid } from '@north-tide/core'
import { api } from '../api'
import { benchOf, kindOnScreen } from '../kinds/registry'
import type { BoatPicture, BoatSummary, Lot } from '../types'

/** Anything that can be looked for, and where it is. */
export interface Findable {
  id: string
  kind: string
  title: string
  detail: string
  /** other words by which a fitter asks for it */
  words: string
  to: string
}
/** Words that stand for one another on a boat; the first of each is what is searched for. */
const SAME = [
  ['cleat', 'bitt', 'bollard', 'belay'],
  ['seacock', 'valve', 'through-hull', 'thruhull', 'skinfitting', 'intake', 'inlet', 'outlet'],
  ['padeye', 'eye', 'eyebolt', 'ringbolt'],
  ['hatch', 'lid', 'opening', 'skylight'],
  ['portlight', 'window', 'porthole', 'deadlight'],
  ['sealant', 'caulk', 'bedding', 'goo', 'mastic'],
  ['glue', 'bond', 'adhesive', 'epoxy'],
  ['chainplate', 'strap', 'shroud'],
  ['hole', 'bore', 'drilling'],
  ['plate', 'backing', 'backer'],
  ['transducer', 'sounder', 'sonar', 'log'],
  ['anode', 'zinc'],
  ['drain', 'scupper', 'garboard'],
  ['starboard', 'stbd'],
  ['bolt', 'screw', 'fastener', 'fastening'],
  ['leak', 'drip', 'weep'],
]
const FIRST = new Map(SAME.flatMap(([first, ...rest]) => rest.map((w) => [w, first!] as const)))
const term = (word: string) => {
  const w = word.toLowerCase().replace(/[^\p{L}\p{N}-]/gu, '')
  const same = FIRST.get(w)
  return w ? (same ? [w, same] : w) : null
}

/** Sums stand in a part of their own, which is read when somebody first looks for something. */
async function sums(): Promise<Findable[]> {
  const { SUMS } = await import('@north-tide/core/sums')
  return SUMS.map((c) => ({
    id: `sum ${c.name}`,
    kind: 'sum',
    title: c.title,
    detail: '',
    words: c.words.join(' '),
    to: `/reference/sums/${c.name}`,
  }))
}
async function lots(): Promise<Findable[]> {
  const all = await api<Lot[]>('GET', '/lots').catch(() => [])
  return all.map((l) => ({
    id: `lot ${l.id}`,
    kind: 'lot',
    title: `${l.code} ${l.title}`,
    detail: `until ${dayjs(l.expiresOn).format('D MMM YYYY')}`,
    words: '',
    to: '/stores',
  }))
}
interface Yard {
  picture: BoatPicture | null
  list: readonly BoatSummary[]
  goods: readonly { part: { id: string; title: string } }[]
}
function aboard({ picture, list, goods }: Yard): Findable[] {
  const holes = (picture?.holes ?? []).map((h) => ({
    id: `hole ${h.id}`,
    kind: 'hole',
    title: `${h.label} ${h.whatFor}`,
    detail: lifeSaid(h.state),
    words: h.zone ?? '',
    to: `/register/${h.id}`,
  }))
  const decks = (picture?.fittings ?? []).map((f) => ({ ...f, said: 'fitting' }))
  const rest = [...(picture?.throughHulls ?? []), ...(picture?.others ?? [])].map((f) => ({
    ...f,
    said: kindOnScreen(f.kind)?.title ?? f.kind.replaceAll('-', ' '),
  }))
  const fittings = [...decks, ...rest].map((f) => ({
    id: `fitting ${f.id}`,
    kind: f.said,
    title: f.name,
    detail: f.verdict,
    words: `fitting ${f.zone ?? ''}`,
    to: benchOf(f),
  }))
  const boats = list.map((b) => ({
    id: `boat ${b.id}`,
    kind: 'boat',
    title: b.name,
    detail: b.kind,
    words: '',
    to: `/boat/${b.id}`,
  }))
  const parts = goods.map((g) => ({
    id: `part ${g.part.id}`,
    kind: 'part',
    title: `${g.part.id} ${g.part.title}`,
    detail: 'the yard\u2019s own',
    words: '',
    to: '/stores',
  }))
  return [...holes, ...fittings, ...boats, ...parts]
}
/** What there is to find now; lots and sums are asked for once. */
export async function finder(yard: Yard) {
  const index = new MiniSearch<Findable>({
    fields: ['title', 'kind', 'detail', 'words'],
    storeFields: ['kind', 'title', 'detail', 'to'],
    // A label is found with its dash and without.
    tokenize: (text) =>
      text.split(/[\s,;:()\u00b7]+/).flatMap((w) => (w.includes('-') ? [w, ...w.split('-')] : [w])),
    processTerm: term,
    searchOptions: {
      boost: { title: 3, kind: 2 },
      prefix: true,
      // A slip of the finger in a longer word is forgiven; in a number it would be another hole.
      fuzzy: (t) => (t.length > 4 && !/\d/.test(t) ? 2 : false),
      combineWith: 'AND',
      tokenize: (text) => text.split(/[\s,;]+/).filter(Boolean),
      processTerm: (w) => w.toLowerCase(),
    },
  })
  index.addAll(aboard(yard))
  const more = await Promise.all([lots(), sums().catch(() => [])])
  index.addAll(more.flat())
  return (text: string): Findable[] => {
    const asked = text.trim()
    const straight = index.search(asked)
    const found = straight.length
      ? straight
      : index.search(asked, { processTerm: (w) => FIRST.get(w.toLowerCase()) ?? w.toLowerCase() })
    return found.slice(0, 9) as unknown as Findable[]
  }
}
