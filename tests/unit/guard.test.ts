import { describe, expect, it } from 'vitest'
import { refusalOf } from '../../server/guard'

const ask = (change: object, hosts: string[] = []) =>
  refusalOf({ path: '/api/health', host: '127.0.0.1:3000', origin: undefined, site: undefined, ...change }, hosts)
    ?.status

describe('who may ask the server', () => {
  it.each([
    ['localhost', 'localhost:3000', [], undefined],
    ['an address in figures', '192.168.1.20:3000', [], undefined],
    ['an address in figures, version 6', '[::1]:3000', [], undefined],
    ['a name that is not listed', 'loft.example:3000', [], 421],
    ['a name that is', 'LOFT.example:3000', ['loft.example'], undefined],
    ['a name made to look like an address', '127.0.0.1.example', [], 421],
    ['no name at all', undefined, [], 421],
  ] as const)('goes by %s', (_what, host, hosts, status) => {
    expect(ask({ host }, [...hosts])).toBe(status)
    expect(ask({ host, path: '/plan' }, [...hosts])).toBe(status)
  })

  it.each([
    [{ origin: 'http://127.0.0.1:3000' }, undefined],
    [{ origin: 'https://127.0.0.1:3000' }, undefined],
    [{ origin: 'http://127.0.0.1:3001' }, 403],
    [{ origin: 'http://peppers.example' }, 403],
    [{ origin: 'null' }, 403],
    [{ site: 'same-origin' }, undefined],
    [{ site: 'none' }, undefined],
    [{ site: 'same-site' }, 403],
    [{ site: 'cross-site' }, 403],
    [{ site: 'cross-site', path: '/' }, undefined],
  ])('answers %o with %s', (change, status) => expect(ask(change)).toBe(status))
})
