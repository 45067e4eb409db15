/**
 * Who may do what, in one table. The yard's own people have a role everywhere; an owner and a surveyor have
 * one on the boats they are named for and none elsewhere, and a person of the yard may have another role on
 * one boat (an owner among the fitters). A reader comes by a link to one boat and reads.
 */
export const ROLES = ['manager', 'fitter', 'apprentice', 'surveyor', 'owner', 'reader'] as const
export type Role = (typeof ROLES)[number]
/** Those that somebody is given; a reader is made by his link. */
export const NAMED_ROLES = ['manager', 'fitter', 'apprentice', 'surveyor', 'owner'] as const
const OF_THE_YARD: readonly Role[] = ['manager', 'fitter', 'apprentice']
/** Whether a role is one of the yard's own people. */
export const isOfTheYard = (role: Role) => OF_THE_YARD.includes(role)

const everyone = ROLES
const vouches: readonly Role[] = ['manager', 'fitter']
/** The acts that are not everyone's; each with those who may, and what is said to the others. */
export const ACTS = {
  read: { who: everyone, else: 'An owner or a surveyor reads only the boats he is named for' },
  measure: {
    who: [...OF_THE_YARD, 'surveyor'],
    else: 'An owner reads; the yard and the surveyor measure',
  },
  work: {
    who: OF_THE_YARD,
    else: 'Only the yard records work: an owner reads, a surveyor measures and says what is suspect',
  },
  'pass-gate': { who: vouches, else: 'An apprentice records, but a fitter passes the gate' },
  'boat-book': { who: vouches, else: 'A boat\u2019s own book is kept by a fitter or the manager' },
  'remove-boat': { who: ['manager'], else: 'Only the manager takes a boat off the list' },
  'give-roles': { who: ['manager'], else: 'Only the manager says who may do what on a boat' },
  plan: { who: vouches, else: 'The weeks are planned by a fitter or the manager' },
  hours: { who: ['manager'], else: 'Who works when is kept by the manager' },
  people: { who: ['manager'], else: 'Only the manager lets people in and says what they are' },
  stores: { who: OF_THE_YARD, else: 'The stores are the yard\u2019s own' },
  'vouch-lot': { who: vouches, else: 'A fitter or the manager vouches for a lot' },
  'yard-parts': { who: vouches, else: 'Parts of the yard\u2019s own are kept by a fitter or the manager' },
  prices: { who: ['manager'], else: 'What an hour costs, and who sees it, is the manager\u2019s' },
  'yard-values': { who: vouches, else: 'Yard values are recorded by a fitter or the manager' },
} satisfies Record<string, { who: readonly Role[]; else: string }>
export type Act = keyof typeof ACTS

/** Somebody with his role in the yard and those on single boats. */
export interface Person {
  role: Role
  boats: Readonly<Record<string, Role>>
}
/** The role somebody has on a boat, or without one in the yard; null for none. */
export function roleOn(who: Person, boatId?: string): Role | null {
  if (boatId === undefined) return who.role
  return who.boats[boatId] ?? (OF_THE_YARD.includes(who.role) ? who.role : null)
}
/** Whether somebody may do an act on a boat, or without one in the yard. */
export function mayDo(who: Person | null, act: Act, boatId?: string): boolean {
  const role = who && roleOn(who, boatId)
  const may: readonly Role[] = ACTS[act].who
  return role !== null && may.includes(role)
}
