export * from './families'
export * from './design'
export * from './goods'
export * from './own-goods'
export * from './obstacles'
export * from './start'
export * from './bolts'
export { POT_TITLES, type Bedded, type Pot, type Pots } from './bed'
export * from './chain'
export * from './thread-ways'
export { threadSeals, threadVerdict, type ThreadSeal } from './threads'
export * from './findings'
export * from './compartments'
export * from './flood-plan'
export * from './placing'
export {
  METHOD_TITLE,
  baseOf,
  judgeThroughHull,
  offDeg,
  plumb,
  slopeUnknown,
  type ThroughHullJudgement,
} from './judge'
export type { MetalLine } from './metals'
export * from './remedies'
export * from './last-look'
export * from './steps'
export * from './parts'
export { throughHullSection } from './section'
export * from './dial'
export * from './cut'
export * from './kick-picture'
