import { normals, uniforms } from '../ferment/member'

/* Chance, all of it from one seed. Each thing draws under its own name: asking for one more changes no other. */

/** Fowler, Noll and Vo's hash of a text (FNV-1a, 32 bit; from memory), as a seed. */
function seedOf(text: string): number {
  let hash = 0x811c9dc5
  for (let index = 0; index < text.length; index++) hash = Math.imul(hash ^ text.charCodeAt(index), 0x01000193)
  return hash >>> 0
}

/** Numbers that are always the same for a seed and a name. */
export interface Luck {
  /** A seed for something that draws by itself. */
  seed: (of: string) => number
  /** From 0 to 1. */
  share: (of: string) => number
  /** Standard normal. */
  normal: (of: string) => number
  /** Between two ends, evenly. */
  between: (of: string, low: number, high: number) => number
  /** One of some things. @throws Error where there is none. */
  pick: <T>(of: string, from: readonly T[]) => T
}

export function luckOf(seed: number): Luck {
  const named = (of: string) => seedOf(`${seed}:${of}`)
  const share = (of: string) => uniforms(named(of))()
  return {
    seed: named,
    share,
    normal: (of) => normals(named(of))(),
    between: (of, low, high) => low + (high - low) * share(of),
    pick(of, from) {
      const picked = from[Math.floor(share(of) * from.length)]
      if (picked === undefined) throw new Error('There is nothing to pick from.')
      return picked
    },
  }
}
