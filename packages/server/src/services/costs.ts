import { costOf, goesBack, shelfWanted, spareParts, type FittingCost } from '@north-tide/core'
import { forbidden } from '../errors'
import { must, type Account } from './access'
import { boatById } from './boats'
import { openWork } from './open-work'
import { orderJob } from './order-check'
import { bagsOf } from './order-changes'
import { maySeeCosts, pricesOfYard } from './settings'
import { offerRows, shelfRows } from './shelf'

/** What the open work on a boat costs by the yard's own prices, fitting by fitting. */
export async function costsOf(who: Account, boatId: string) {
  must(who, 'read', boatId)
  if (!(await maySeeCosts(who, boatId)))
    throw forbidden('What it costs is shown to an owner only where the manager says so')
  const boat = await boatById(boatId)
  const [{ jobs }, offers, prices] = await Promise.all([openWork(boatId), offerRows(), pricesOfYard()])
  const fittings: FittingCost[] = jobs.map((j) =>
    costOf({ ...orderJob(j), steps: j.steps, took: j.took }, offers, prices.hourCents),
  )
  return {
    boat: boat.name,
    currency: prices.currency,
    hourCents: prices.hourCents,
    fittings,
    totalCents: fittings.reduce((s, f) => s + f.totalCents, 0),
    estimated: fittings.some((f) => f.estimated),
  }
}
/** What fittings have and want no more, what goes back to its maker, what of the shelf is wanted. */
export async function whatFits(who: Account, boatId: string) {
  must(who, 'stores')
  must(who, 'read', boatId)
  await boatById(boatId)
  const [{ jobs: open }, shelf] = await Promise.all([openWork(boatId), shelfRows()])
  const jobs = open.map(orderJob)
  const bags = jobs.length ? await bagsOf(jobs.map((j) => j.fittingId)) : []
  return { spare: spareParts(jobs, bags), back: goesBack(jobs), shelf: shelfWanted(jobs, shelf) }
}
