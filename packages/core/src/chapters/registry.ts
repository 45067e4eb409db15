import { z } from 'zod'
import { CalcError } from '../base/errors'
import { refusalInWords } from '../base/schema/refusal-words'
import { calculate, type Calculator } from '../base/calculator/calculator'
import { lineStrength } from './load/line-strength'
import { designLoad } from './load/design-load'
import { firstGuess } from './load/first-guess'
import { fastener } from './fastener/fastener'
import { tappedThread } from './fastener/tapped'
import { gripStack } from './fastener/grip-stack'
import { boltGroup } from './deck/bolt-group'
import { jointCheck } from './deck/joint-check'
import { pushThrough } from './deck/push-through'
import { goodFor } from './inspect/good-for'
import { alignment } from './making/alignment'
import { compartment } from './making/compartment'
import { cableGland } from './making/gland'
import { layupBlock } from './making/layup-block'
import { lidHold } from './making/lid-hold'
import { binHang } from './making/bin-hang'
import { stripBend } from './making/strip-bend'
import { prismPocket } from './making/prism-pocket'
import { passportFacts } from './watch/passport-facts'
import { watchDue } from './watch/watch-due'
import { leakTrace } from './watch/leak-trace'
import { fastenerOrder } from './stores/fastener-order'
import { tubePlan } from './stores/tube-plan'
import { epoxyDay } from './stores/epoxy-day'
import { weatherWindows } from './plan/weather-windows'
import { labourWeek } from './plan/labour-week'
import { nest } from './stores/nest'
import { trend } from './watch/trend'
import { leakRate } from './watch/leak-rate'
import { tapeSeal } from './making/tape-seal'
import { corePlug } from './deck/core-plug'
import { backingPlate } from './plate/backing-plate'
import { sealantChoice } from './bedding/sealant-choice'
import { sealantQuantity } from './bedding/sealant-quantity'
import { moistureCure } from './bedding/moisture-cure'
import { surfaceWindow } from './bedding/surface-window'
import { epoxyBatch } from './bedding/epoxy-batch'
import { threadFit } from './hull/thread-fit'
import { throughHullStack } from './hull/through-hull-stack'
import { wedgeBlock } from './hull/wedge-block'
import { cockpitDrain } from './hull/cockpit-drain'
import { transducerTilt } from './hull/transducer-tilt'
import { panelGrowth } from './opening/panel-growth'
import { galvanicPair } from './galvanic/galvanic-pair'
import { anodeLife } from './galvanic/anode-life'
import { bondLap } from './repair/bond-lap'
import { holeClosure } from './repair/hole-closure'
import { chainplate } from './rig/chainplate'
import { angleSurvey } from './layout/angle-survey'
import { baseContact } from './deck/base-contact'
import { seacockLoad } from './hull/seacock-load'
import { valveClocking } from './hull/valve-clocking'
import { flooding } from './hull/flooding'
import { openingEdge } from './opening/opening-edge'
import { panel } from './opening/panel'
import { oldHoles } from './layout/old-holes'
import { spacing } from './layout/spacing'
import { deckPatch } from './plate/deck-patch'
import { plan } from './plan/plan'

/** Every calculator by name, in the order of the chapters. */
export const CALCULATORS: Calculator<never, unknown>[] = [
  lineStrength,
  designLoad,
  firstGuess,
  fastener,
  tappedThread,
  gripStack,
  boltGroup,
  baseContact,
  jointCheck,
  pushThrough,
  goodFor,
  binHang,
  stripBend,
  prismPocket,
  passportFacts,
  watchDue,
  leakTrace,
  fastenerOrder,
  tubePlan,
  epoxyDay,
  weatherWindows,
  labourWeek,
  nest,
  trend,
  leakRate,
  tapeSeal,
  lidHold,
  cableGland,
  compartment,
  layupBlock,
  alignment,
  backingPlate,
  corePlug,
  deckPatch,
  sealantChoice,
  sealantQuantity,
  moistureCure,
  surfaceWindow,
  epoxyBatch,
  threadFit,
  throughHullStack,
  valveClocking,
  wedgeBlock,
  seacockLoad,
  flooding,
  cockpitDrain,
  transducerTilt,
  openingEdge,
  panel,
  panelGrowth,
  galvanicPair,
  anodeLife,
  bondLap,
  holeClosure,
  chainplate,
  oldHoles,
  spacing,
  angleSurvey,
  plan,
] as unknown as Calculator<never, unknown>[]

const BY_NAME = new Map(CALCULATORS.map((c) => [c.name, c]))

export function calculatorNamed(name: string): Calculator<never, unknown> {
  const found = BY_NAME.get(name)
  if (!found)
    throw new CalcError(
      'unknown-calculator',
      '',
      `There is no calculator "${name}"; one of ${[...BY_NAME.keys()].join(', ')} is accepted`,
    )
  return found
}

/** Runs one by name: throws CalcError, in words, and nothing else for a user's mistake. */
export function runNamed(name: string, raw: unknown): unknown {
  try {
    return calculate(calculatorNamed(name), raw)
  } catch (error) {
    throw error instanceof CalcError ? refusalInWords(error) : error
  }
}

const jsonSchema = (s: z.ZodType, io: 'input' | 'output') => z.toJSONSchema(s, { io, unrepresentable: 'any' })

/** Name, title and JSON Schemas of every calculator, for `GET /api/calc` and the documentation. */
export const describeCalculators = () =>
  CALCULATORS.map((c) => ({
    name: c.name,
    title: c.title,
    chapter: c.chapter,
    words: c.words,
    input: jsonSchema(c.input, 'input'),
    output: jsonSchema(c.output, 'output'),
  }))
