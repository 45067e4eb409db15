import { CalcError } from '../base/errors'
import type { Calculator } from '../base/calculator/calculator'
import { described, runInWords } from '../base/calculator/described'
import * as deck from './parts/deck'
import * as opening from './parts/opening'
import * as yard from './parts/yard'
import * as hull from './parts/hull'

/** Every calculator by name, in the order of the chapters. */
export const CALCULATORS: Calculator<never, unknown>[] = [
  deck.lineStrength,
  deck.designLoad,
  deck.firstGuess,
  deck.fastener,
  deck.tappedThread,
  deck.gripStack,
  deck.boltGroup,
  deck.baseContact,
  deck.jointCheck,
  deck.pushThrough,
  deck.goodFor,
  opening.binHang,
  opening.stripBend,
  opening.prismPocket,
  yard.passportFacts,
  yard.watchDue,
  yard.leakTrace,
  yard.fastenerOrder,
  yard.tubePlan,
  yard.epoxyDay,
  yard.weatherWindows,
  yard.labourWeek,
  yard.nest,
  yard.trend,
  yard.leakRate,
  opening.tapeSeal,
  opening.lidHold,
  opening.cableGland,
  opening.compartment,
  opening.layupBlock,
  opening.alignment,
  deck.backingPlate,
  deck.corePlug,
  deck.deckPatch,
  deck.sealantChoice,
  deck.sealantQuantity,
  deck.moistureCure,
  deck.surfaceWindow,
  deck.epoxyBatch,
  hull.threadFit,
  hull.throughHullStack,
  hull.valveClocking,
  hull.wedgeBlock,
  hull.seacockLoad,
  hull.flooding,
  hull.cockpitDrain,
  hull.transducerTilt,
  opening.openingEdge,
  opening.panel,
  opening.panelGrowth,
  hull.galvanicPair,
  hull.anodeLife,
  opening.bondLap,
  opening.holeClosure,
  opening.chainplate,
  opening.oldHoles,
  opening.spacing,
  opening.angleSurvey,
  yard.plan,
] as unknown as Calculator<never, unknown>[]

const PARTS = { deck, hull, opening, yard }
/** In which of the parts that a page fetches a calculator stands. */
export const partOf = (c: Calculator<never, unknown>) =>
  Object.entries(PARTS).find(([, part]) => (Object.values(part) as unknown[]).includes(c))![0]

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
export const runNamed = (name: string, raw: unknown): unknown => runInWords(calculatorNamed(name), raw)

/** Of every calculator, for `GET /api/calc` and the documentation. */
export const describeCalculators = () => CALCULATORS.map(described)
