import { afterEach, describe, expect, it, vi } from 'vitest'
import { ApiRefusal, Offline, api, askEarly } from '../src/api'
import { readJson } from '../src/pieces/files'
import { soon } from './soon'

const answer = (status: number, body: string) =>
  vi.stubGlobal(
    'fetch',
    vi.fn(async () => new Response(status === 204 ? null : body, { status })),
  )
afterEach(() => vi.unstubAllGlobals())

describe('answers of the server', () => {
  it('a refusal keeps its code, path, message and gates', async () => {
    answer(
      409,
      JSON.stringify({
        error: { code: 'gate', path: 'reason', message: 'Before this', gates: [{ id: 'must', text: 'x' }] },
      }),
    )
    const e = await api('POST', '/x').catch((x: unknown) => x)
    expect(e).toBeInstanceOf(ApiRefusal)
    expect((e as ApiRefusal).refusal).toMatchObject({ code: 'gate', path: 'reason', gates: [{ id: 'must' }] })
  })
  it.each([
    [
      'no line',
      () =>
        vi.stubGlobal(
          'fetch',
          vi.fn(async () => Promise.reject(new TypeError('failed'))),
        ),
      Offline,
      'kept here',
    ],
    ['no database', () => answer(503, ''), Offline, 'database'],
    ['no sense', () => answer(502, '<html>bad gateway</html>'), ApiRefusal, '502'],
  ])('%s is told as such', async (_name, prepare, kind, words) => {
    prepare()
    const e = await api('GET', '/x').catch((x: unknown) => x)
    expect(e).toBeInstanceOf(kind)
    expect((e as Error).message).toContain(words)
  })
  it('nothing is nothing, and an answer is read', async () => {
    answer(204, '')
    expect(await api('DELETE', '/x')).toBeUndefined()
    answer(200, '{"a":1}')
    expect(await api('GET', '/x')).toEqual({ a: 1 })
  })
  it('what was asked early is asked once, for the first who wants it; what was refused is asked anew', async () => {
    answer(200, '{"a":1}')
    askEarly('/early')
    askEarly('/early')
    expect(await api('GET', '/early')).toEqual({ a: 1 })
    expect(fetch).toHaveBeenCalledTimes(1)
    answer(200, '{"a":2}')
    expect(await api('GET', '/early')).toEqual({ a: 2 })
    answer(401, '{"error":{"code":"signed-out","message":"Sign in first"}}')
    askEarly('/refused')
    await soon(() => expect(fetch).toHaveReturned())
    await new Promise((next) => setTimeout(next))
    answer(200, '{"a":3}')
    expect(await api('GET', '/refused')).toEqual({ a: 3 })
  })
  it('what was asked early is no answer any more when the page has been open for a while', async () => {
    vi.useFakeTimers()
    try {
      answer(200, '{"a":1}')
      askEarly('/old')
      vi.advanceTimersByTime(11_000)
      answer(200, '{"a":2}')
      expect(await api('GET', '/old')).toEqual({ a: 2 })
    } finally {
      vi.useRealTimers()
    }
  })
  it('what is written outlives its page where it is small; what is read, and a file, do not', async () => {
    answer(200, '{}')
    const sentAs = () => vi.mocked(fetch).mock.lastCall![1]!.keepalive ?? false
    await api('PUT', '/x', { a: 1 })
    expect(sentAs()).toBe(true)
    await api('DELETE', '/x')
    expect(sentAs()).toBe(true)
    await api('GET', '/x')
    expect(sentAs()).toBe(false)
    await api('PUT', '/x', { a: 'x'.repeat(13_000) })
    expect(sentAs()).toBe(false)
    await api('POST', '/x', new FormData())
    expect(sentAs()).toBe(false)
  })
  it('JSON, a drawing\u2019s text and a form with files go each in their own way', async () => {
    answer(200, '{}')
    await api('POST', '/x', { a: 1 })
    await api('POST', '/x', '0\nSECTION')
    const form = new FormData()
    await api('POST', '/x', form)
    const sent = vi
      .mocked(fetch)
      .mock.calls.map(([, o]) => [
        o?.body,
        (o?.headers as Record<string, string> | undefined)?.['Content-Type'],
      ])
    expect(sent).toEqual([
      ['{"a":1}', 'application/json'],
      ['0\nSECTION', 'text/plain'],
      [form, undefined],
    ])
  })
})

describe('files that are picked', () => {
  it('a file that is no JSON is named, with what is accepted', async () => {
    await expect(readJson(new File(['{'], 'hat.json'), 'a design file')).rejects.toThrow(
      '\u201chat.json\u201d is no JSON; a design file is accepted',
    )
    expect(await readJson(new File(['[1]'], 'a.json'), 'x')).toEqual([1])
  })
})
