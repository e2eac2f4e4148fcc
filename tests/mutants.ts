import { xoroshiro128plus } from 'pure-rand/generator/xoroshiro128plus'
import { uniformInt } from 'pure-rand/distribution/uniformInt'

/* Files with one thing wrong in each, seeded: bytes, and things that a file of that structure can have wrong. */

/** A file that was damaged, and how. */
export interface Mutant {
  how: string
  bytes: Uint8Array<ArrayBuffer>
}

/** Texts that readers have stumbled over: deep, long, not what they seem. */
const NASTY = [
  '__proto__',
  '{"__proto__":{"polluted":1}}',
  '"constructor":{"prototype":{"polluted":1}}',
  '['.repeat(5000),
  '\u0000',
  '\ufeff',
  '1e999',
  '-0',
  '99999999999999999999',
  'NaN',
  '2026-13-45T99:99:99.000Z',
  '=cmd()',
  '<script>',
  '../../etc',
  '\r\n\r\n',
  ';;;;,,,,',
  '"',
  'é'.repeat(4000),
]

const splice = (bytes: Uint8Array, at: number, gone: number, put: Uint8Array): Uint8Array<ArrayBuffer> => {
  const made = new Uint8Array(Math.max(0, bytes.length - gone) + put.length)
  made.set(bytes.subarray(0, at))
  made.set(put, at)
  made.set(bytes.subarray(at + gone), at + put.length)
  return made
}

/** So many damaged versions of a file. */
export function* mutants(bytes: Uint8Array, count: number, seed: number): Generator<Mutant> {
  const chance = xoroshiro128plus(seed)
  const pick = (low: number, high: number) => uniformInt(chance, low, high)
  const encoder = new TextEncoder()
  const ways: [string, () => Uint8Array<ArrayBuffer>][] = [
    [
      'a bit',
      () => {
        const made = splice(bytes, 0, 0, new Uint8Array())
        const at = pick(0, bytes.length - 1)
        made[at] = (made[at] ?? 0) ^ (1 << pick(0, 7))
        return made
      },
    ],
    ['cut off', () => splice(bytes.subarray(0, pick(0, bytes.length - 1)), 0, 0, new Uint8Array())],
    [
      'a piece gone',
      () => {
        const at = pick(0, bytes.length - 1)
        const gone = Math.min(bytes.length - at, pick(1, 400))
        return splice(bytes, at, gone, new Uint8Array())
      },
    ],
    [
      'a piece twice',
      () => {
        const at = pick(0, bytes.length - 1)
        return splice(bytes, at, 0, bytes.slice(at, at + pick(1, 400)))
      },
    ],
    [
      'nasty text',
      () => {
        const at = pick(0, bytes.length - 1)
        return splice(
          bytes,
          at,
          Math.min(bytes.length - at, pick(0, 8)),
          encoder.encode(NASTY[pick(0, NASTY.length - 1)]),
        )
      },
    ],
    [
      'a number changed',
      () => {
        const digits = [...bytes.keys()].filter((at) => bytes[at]! >= 48 && bytes[at]! <= 57)
        const at = digits[pick(0, Math.max(0, digits.length - 1))] ?? 0
        return splice(bytes, at, 1, encoder.encode(['', '-', '9999999', '.', 'e'][pick(0, 4)]))
      },
    ],
  ]
  for (let index = 0; index < count; index++) {
    const [how, make] = ways[pick(0, ways.length - 1)]!
    yield { how, bytes: make() }
  }
}
