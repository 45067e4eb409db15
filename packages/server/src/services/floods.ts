import { z } from 'zod'
import { CalcError, parseInput } from '@north-tide/core'
import { runNamed } from '@north-tide/core/registry'
import { Flood } from '../models'
import { must, type Account } from './access'
import { boatById } from './boats'

/** A cockpit or a locker flooded on shut valves, or a bilge that was watched: kept with what it can tell. */
const said = z.strictObject({
  what: z.string().trim().min(1).max(200),
  /** as `leak-rate` asks it */
  ask: z.unknown(),
  note: z.string().trim().max(300).default(''),
})
export interface ShownFlood {
  id: number
  what: string
  ask: unknown
  answer: unknown
  note: string
  who: string
  at: string
}
const shown = (f: Flood): ShownFlood => ({
  id: f.id!,
  what: f.what,
  ask: f.ask,
  answer: f.answer,
  note: f.note!,
  who: f.who,
  at: f.at!.toISOString(),
})
export async function listFloods(who: Account, boatId: string): Promise<ShownFlood[]> {
  must(who, 'read', boatId)
  await boatById(boatId)
  return (await Flood.findAll({ where: { boatId }, order: [['id', 'DESC']] })).map(shown)
}
export function answerOf(ask: unknown, path = 'ask'): unknown {
  try {
    return runNamed('leak-rate', ask)
  } catch (error) {
    if (!(error instanceof CalcError)) throw error
    throw new CalcError(error.code, error.path ? `${path}.${error.path}` : path, error.message)
  }
}
export async function keepFlood(who: Account, boatId: string, body: unknown): Promise<ShownFlood> {
  must(who, 'work', boatId)
  await boatById(boatId)
  const { ask, ...f } = parseInput(said, body)
  return shown(await Flood.create({ boatId, ...f, ask, answer: answerOf(ask), who: who.name }))
}
