import { daySaid } from '../../base/quantity/day'
import { answerOf } from '../../base/calculator/calculator'
import { anodeLife } from '../../chapters/galvanic/anode-life'
import { check, say, sentence, unproven, type Check } from '../../base/verdict/check'
import { BOND_OHM } from '../gates'
import { lastReading, type LogLine } from '../work'
import type { ThroughHullDesign } from './design'
import { plain } from './plain'

function bondCheck(log: LogLine[]): Check {
  const bond = lastReading(log, 'bond')
  const shape = { id: 'bond-path', title: 'Bond path to the anode', unit: 'ohm', source: 'chapter 7.2' }
  if (!bond)
    return unproven({
      ...shape,
      because: 'Bonded, and no meter has been on it: take a reading from fitting to anode.',
    })
  return check({
    ...shape,
    demand: bond.value!,
    capacity: BOND_OHM,
    verdict: bond.value! <= BOND_OHM + 1e-9 ? 'holds' : 'short',
    because: `${say(bond.value!)} \u03a9 by meter, ${daySaid(bond.at)}; up to ${BOND_OHM} \u03a9 counts as bonded.`,
  })
}

export function anodeOf(d: ThroughHullDesign) {
  const a = d.metals.anode
  return a
    ? answerOf(anodeLife, {
        water: d.metals.water,
        alloy: a.alloy,
        items: [{ areaM2: a.wettedM2, finish: a.finish }],
        years: a.years,
        pieceKg: a.pieceKg,
      })
    : null
}

function studCheck(stud: NonNullable<ThroughHullDesign['stud']>): Check {
  const bad = [
    stud.wired ? '' : 'not wired to what it protects',
    stud.clearOfBilge ? '' : 'in standing bilge water',
    stud.spannerRoom ? '' : 'no room for a spanner',
  ].filter(Boolean)
  return plain(
    'stud',
    'Stud where it serves',
    bad.length ? (stud.wired ? 'tight' : 'short') : 'holds',
    bad.length
      ? `${sentence(bad.join(', '))}.`
      : `Near what it protects${stud.protects ? ` (${stud.protects})` : ''}, wired, dry inside, room for a spanner.`,
    'chapter 5.9',
  )
}

/** Whether what protects it reaches it, and lasts. */
export function bondingChecks(
  d: ThroughHullDesign,
  j: { needsBond: boolean; life: ReturnType<typeof anodeOf> },
  log: LogLine[],
): Check[] {
  return [
    ...(j.needsBond ? [bondCheck(log)] : []),
    ...(j.life
      ? [plain('anode', 'Anode for this water', j.life.verdict!, j.life.because!, 'chapter 7.2')]
      : []),
    ...(d.family === 'anode-stud' && d.stud ? [studCheck(d.stud)] : []),
  ]
}
