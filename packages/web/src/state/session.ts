import { defineStore } from 'pinia'
import { ref } from 'vue'
import { mayDo, type Act } from '@north-tide/core'
import { ApiRefusal, api, whenSignedOut } from '../api'
import type { Account, Ways } from '../types'
import { writeAs } from './ways'
import { LAST_IN } from './early'
import { forgetSeen, keepFor } from './waiting'

interface Answer {
  account: Account | null
  demo: boolean
  ways?: Ways
  /** nobody is in this yard yet, and whoever asks sits at its machine */
  first?: boolean
}

/** What was seen by one is not kept for another; what one wrote without a line is sent as his own. */
function whoIsIn(id: number | null) {
  if (localStorage.getItem(LAST_IN) !== String(id)) void forgetSeen()
  localStorage.setItem(LAST_IN, String(id))
  keepFor(id)
}
export const useSession = defineStore('session', () => {
  const account = ref<Account | null>(null)
  const demo = ref(false)
  const first = ref(false)
  const asked = ref(false)
  /** the session ended while somebody was at work: he stays where he is and says who he is once more */
  const lost = ref(false)
  whenSignedOut(() => {
    if (account.value) lost.value = true
  })
  const take = async (a: Answer) => {
    lost.value = false
    if (account.value?.id !== a.account?.id) whoIsIn(a.account?.id ?? null)
    account.value = a.account
    demo.value = a.demo
    first.value = a.first ?? false
    asked.value = true
    // Before anything is drawn: dates are said in the yard's language from the first on.
    if (a.ways) await writeAs(a.ways)
  }
  return {
    account,
    lost,
    /** whether who is signed in may do an act, on a boat or in the yard */
    may: (act: Act, boatId?: string) => mayDo(account.value, act, boatId),
    demo,
    first,
    asked,
    async ask() {
      await take(await api<Answer>('GET', '/session'))
    },
    async signIn(login: string, password: string) {
      await take(await api<Answer>('POST', '/session', { login, password }))
    },
    async makeFirst(of: { name: string; login: string; password: string }) {
      await take(await api<Answer>('POST', '/session/first', of))
    },
    async join(secret: string, password: string) {
      await take(await api<Answer>('POST', '/session/join', { secret, password }))
    },
    /** by a link to one boat, for reading; answers with the boat */
    async byLink(secret: string) {
      const got = await api<Answer & { boatId: string }>('POST', '/session/link', { secret })
      await take(got)
      return got.boatId
    },
    async enterDemo() {
      await take(await api<Answer>('POST', '/session/demo'))
    },
    async signOut() {
      await api('DELETE', '/session')
      whoIsIn(null)
      account.value = null
    },
    /** Nobody goes on here under that name. */
    leave() {
      lost.value = false
      account.value = null
    },
    /** Another tab or the clock may have ended the session: that is asked about in place, not said twice. */
    ended: (error: unknown) => error instanceof ApiRefusal && error.status === 401,
  }
})
