import { flushPromises } from '@vue/test-utils'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { ElDropdown } from 'element-plus'
import SessionAgain from '../src/pieces/SessionAgain.vue'
import NotFound from '../src/places/NotFound.vue'
import LotActs from '../src/places/stores/LotActs.vue'
import LotForm from '../src/places/stores/LotForm.vue'
import StoresPlace from '../src/places/stores/StoresPlace.vue'
import { useSession } from '../src/state/session'
import { aboard, refusal, shown } from './deck-hands'
import { soon } from './soon'

beforeEach(() => void aboard())
afterEach(() => {
  document.body.innerHTML = ''
  vi.clearAllMocks()
})
const lot = (over: object = {}) => ({
  id: 3,
  code: 'S-1',
  title: 'Hybrid, 290 ml',
  chemistry: 'hybrid',
  kind: 'sealant',
  openedOn: null,
  expiresOn: '2099-01-01',
  storedHot: false,
  quantity: 4,
  unit: 'tubes',
  testedOn: null,
  testNote: '',
  ...over,
})

describe('the stores', () => {
  it('each lot says how it stands; what is used up is out of the way until it is asked for', async () => {
    aboard({
      '/lots': [
        lot(),
        lot({ id: 4, code: 'S-2', expiresOn: '2020-01-01' }),
        lot({ id: 5, code: 'S-3', quantity: 0 }),
      ],
    })
    const { w } = await shown(StoresPlace)
    expect(w.text()).toContain('in date')
    expect(w.text()).toMatch(/past its date by [\d ]+ days/)
    expect(w.text()).not.toContain('S-3')
  })
  it('where the server does not answer it says so, and can be asked again', async () => {
    let tries = 0
    aboard({
      '/lots': () => (++tries === 1 ? refusal(500, { code: 'unexpected', message: 'broken' }) : [lot()]),
    })
    const { w, button } = await shown(StoresPlace)
    expect(w.find('[role=alert]').text()).toContain('broken')
    await button('Try again').trigger('click')
    await flushPromises()
    expect(w.text()).toContain('S-1')
    expect(w.find('[role=alert]').exists()).toBe(false)
  })
})

describe('what happens to a lot', () => {
  const acts = async (over: object = {}, server: Parameters<typeof aboard>[0] = {}) => {
    const s = aboard({ '/lots/3': [lot({ quantity: 3 })], '/lots/3/test': [lot()], ...server })
    const p = await shown(LotActs, { lot: lot(over), doubtful: true })
    const act = async (command: string) => {
      p.w.findComponent(ElDropdown).vm.$emit('command', command)
      await flushPromises()
    }
    const type = async (text: string) => {
      await p.w.find('form input').setValue(text)
      await p.w.find('form').trigger('submit')
      await flushPromises()
    }
    return { ...p, ...s, act, type }
  }
  it.each([
    ['draw', '1.5', { quantity: 2.5 }],
    ['draw', '1,5', { quantity: 2.5 }],
    ['receive', '2', { quantity: 6 }],
  ])('%s %s', async (command, text, change) => {
    const p = await acts()
    await p.act(command)
    await p.type(text)
    expect(p.sent('PUT', '/lots/3')).toEqual({ was: { quantity: 4, openedOn: null }, ...change })
    expect(p.w.emitted('kept')).toHaveLength(1)
  })
  it('used up and opened are one press each', async () => {
    const p = await acts()
    await p.act('gone')
    expect(p.sent('PUT', '/lots/3')).toMatchObject({ quantity: 0 })
    await p.act('open')
    expect(String(p.sent('PUT', '/lots/3')!.openedOn)).toMatch(/^\d{4}-\d\d-\d\d$/)
  })
  it.each([
    ['draw', '9', {}, 'cannot be taken'],
    ['draw', 'some', {}, 'is no amount'],
    ['draw', '1', { quantity: null }, 'was never said'],
    ['receive', '-1', {}, 'is no amount'],
  ])('%s “%s” is said to make no sense, and nothing is sent', async (command, text, over, said) => {
    const p = await acts(over)
    await p.act(command)
    await p.type(text)
    expect(String(p.w.emitted('said')![0])).toContain(said)
    expect(p.calls.filter((c) => c.method === 'PUT')).toEqual([])
    expect((p.w.find('form input').element as HTMLInputElement).value).toBe(text)
  })
  it('a bead that was tried is written with what it did', async () => {
    const p = await acts()
    await p.button('Record a test').trigger('click')
    await p.type('skinned in 40 minutes')
    expect(p.sent('POST', '/lots/3/test')).toEqual({ note: 'skinned in 40 minutes' })
  })
  it('what the server refuses is said, and what was typed stays', async () => {
    const p = await acts({}, { '/lots/3': () => refusal(409, { code: 'stale', message: 'drawn meanwhile' }) })
    await p.act('draw')
    await p.type('1')
    expect(p.w.emitted('said')).toEqual([['drawn meanwhile']])
    expect(p.w.find('form').exists()).toBe(true)
  })
})

describe('a lot that came in', () => {
  const dialog = () => document.querySelector('.el-dialog')!
  const put = (id: string, text: string) => {
    const e = dialog().querySelector<HTMLInputElement>(`#${id}`)!
    e.value = text
    e.dispatchEvent(new Event('input', { bubbles: true }))
  }
  const submit = async () => {
    dialog()
      .querySelector('form')!
      .dispatchEvent(new Event('submit', { cancelable: true }))
    await flushPromises()
  }
  it('an amount that is none is said at its field, and what was typed stands again', async () => {
    const s = aboard({ '/lots': [lot()] })
    const { w } = await shown(LotForm)
    put('lot-code', 'B-77')
    put('lot-title', 'Butyl tape')
    put('lot-quantity', 'a few')
    await submit()
    await soon(() => expect(dialog().textContent).toContain('is no amount'))
    expect(s.calls.filter((c) => c.method === 'POST')).toEqual([])
    w.unmount()
    document.body.innerHTML = ''
    await shown(LotForm)
    expect(dialog().querySelector<HTMLInputElement>('#lot-code')!.value).toBe('B-77')
    expect(dialog().textContent).toContain('stands again')
  })
  it('it is sent with a figure, and the form is blank for the next', async () => {
    const s = aboard({ '/lots': [lot()] })
    const { w } = await shown(LotForm)
    put('lot-code', 'B-77')
    put('lot-title', 'Butyl tape')
    put('lot-quantity', '2,5')
    await submit()
    expect(s.sent('POST', '/lots')).toMatchObject({ code: 'B-77', quantity: 2.5, kind: 'sealant' })
    expect(w.emitted('kept')).toHaveLength(1)
    expect(dialog().querySelector<HTMLInputElement>('#lot-code')!.value).toBe('')
  })
})

describe('when somebody was signed out at work', () => {
  const again = async (server: Parameters<typeof aboard>[0]) => {
    aboard(server)
    const session = useSession()
    session.account = { id: 1, login: 'tam', name: 'Tam Weir', role: 'fitter', boats: {} } as never
    session.lost = true
    await shown(SessionAgain)
    const type = async (password: string) => {
      const e = document.querySelector<HTMLInputElement>('#again-password')!
      e.value = password
      e.dispatchEvent(new Event('input', { bubbles: true }))
      await flushPromises()
      document.querySelector('form.again')!.dispatchEvent(new Event('submit', { cancelable: true }))
      await flushPromises()
    }
    return { session, type }
  }
  it('a wrong password is said, and the page stays shut', async () => {
    const { session, type } = await again({
      '/session': () => refusal(401, { code: 'signed-out', message: 'That is not the password' }),
    })
    expect(document.body.textContent).toContain('What you typed is still here')
    await type('nonsense')
    expect(document.querySelector('[role=alert]')!.textContent).toContain('not the password')
    expect(session.lost).toBe(true)
  })
  it('the right one lets him go on where he was', async () => {
    const account = { id: 1, login: 'tam', name: 'Tam Weir', role: 'fitter', boats: {} }
    const { session, type } = await again({ '/session': { account, demo: false } })
    await type('right')
    expect(session.lost).toBe(false)
  })
})

it('an address that leads nowhere says so, and where to go from there', async () => {
  const { w, router } = await shown(NotFound)
  await router.push('/no/such/place')
  await flushPromises()
  expect(w.text()).toContain('/no/such/place leads nowhere')
  expect(w.findAll('.ways a').map((a) => a.text())).toEqual(['The boat', 'All fittings', 'The register'])
})
