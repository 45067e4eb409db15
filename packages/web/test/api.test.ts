import { afterEach, describe, expect, it, vi } from 'vitest'
import { ApiRefusal, Offline, api } from '../src/api'
import { readJson } from '../src/pieces/files'

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
