import { describe, expect, it } from 'vitest'
import { ACTS, mayDo, ROLES, roleOn, type Act, type Person } from '../src'

const person = (role: Person['role'], boats: Person['boats'] = {}): Person => ({ role, boats })
const acts = Object.keys(ACTS) as Act[]

describe('who may do what', () => {
  it.each<[Person['role'], Act[]]>([
    ['manager', acts],
    ['fitter', acts.filter((a) => !['remove-boat', 'give-roles', 'hours', 'people', 'prices'].includes(a))],
    ['apprentice', ['read', 'measure', 'work', 'stores']],
    ['surveyor', ['read', 'measure']],
    ['owner', ['read']],
    ['reader', ['read']],
  ])('on a boat he is named for, one who is its %s', (role, may) => {
    const who = person('owner', { pipit: role })
    expect(acts.filter((a) => mayDo(who, a, 'pipit'))).toEqual(may)
  })
  it('the yard\u2019s people are themselves on every boat, an owner and a surveyor on none but their own', () => {
    expect(ROLES.map((r) => roleOn(person(r), 'pipit'))).toEqual([
      'manager',
      'fitter',
      'apprentice',
      null,
      null,
      null,
    ])
    expect(acts.filter((a) => mayDo(person('surveyor', { pipit: 'surveyor' }), a, 'tarn-runner'))).toEqual([])
  })
  it('one of the yard who owns a boat does not pass the gates on it', () => {
    const who = person('fitter', { pipit: 'owner' })
    expect([mayDo(who, 'pass-gate', 'pipit'), mayDo(who, 'pass-gate', 'tarn-runner')]).toEqual([false, true])
  })
  it('nobody may do anything when nobody is signed in', () => {
    expect(acts.some((a) => mayDo(null, a, 'pipit'))).toBe(false)
  })
})
