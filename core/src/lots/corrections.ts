import { kindOf, lotsIn, type Entry } from '../log/entry'

/*
 * Corrections are entries of their own. All that correct one fact, and one another, are a chain with that fact as its
 * root; two devices that did not know of each other make it fork. Everyone works out alike what counts, whatever came
 * first.
 */

/** A fact of which two devices say different things. */
export interface Fork {
  /** The fact that they correct. */
  root: string
  /**
   * What was said of it by those who did not know of each other, what holds for now first; a retraction, and what is
   * set aside, among them.
   */
  said: readonly Entry[]
}

/** An entry, and the retraction that took it back. */
export interface TakenBack {
  of: Entry
  byId: string
}

const primaryLots = (entry: Entry): string =>
  String(
    [
      ...(kindOf(entry)
        .makes?.(entry)
        .map(({ id }) => id) ?? lotsIn(entry)),
    ].sort(),
  )

/** Whether an entry can correct another one: a fact of the same kind about the same lots, or any that is taken back. */
export const canCorrect = (entry: Entry, of: Entry): boolean =>
  entry.kind === 'retract' || (entry.kind === of.kind && primaryLots(entry) === primaryLots(of))

/** An entry and all that it corrects, back to the fact. */
export function chainOf(entries: readonly Entry[], entry: Entry): Entry[] {
  const byId = new Map(entries.map((one) => [one.id, one]))
  const chain = [entry]
  for (let of = byId.get(entry.replaces ?? ''); of && !chain.includes(of); of = byId.get(of.replaces ?? ''))
    chain.push(of)
  return chain
}

const laterFirst = (a: Entry, b: Entry) => (a.id < b.id ? 1 : a.id > b.id ? -1 : 0)

/** The chains of a log, followed as entries come. */
export class Chains {
  /** By the entry they replace: corrections and retractions. */
  private readonly over = new Map<string, Entry[]>()
  /** Entries in chains. */
  private readonly members = new Map<string, Entry>()
  /** Of chains in which not all is said by one: what comes of them, by root. */
  private readonly forked = new Map<string, Fork>()
  /** Corrections of another kind or lot, that say nothing. */
  private readonly refusedOnes = new Map<string, Entry>()
  /** What counts, of entries in chains. */
  private readonly standing = new Set<string>()

  /**
   * Facts of which two devices say different things.
   * @param aside what is set aside: a correction that waits counts for nothing yet, and yet somebody said it.
   * @param known finds entries that are there.
   */
  forks(aside: readonly Entry[], known: (ids: ReadonlySet<string>) => readonly Entry[]): readonly Fork[] {
    const found = new Map(this.forked)
    const waiting = aside.filter(({ id, replaces }) => replaces && !this.over.has(id)).sort(laterFirst)
    const ids = new Set(waiting.flatMap(({ replaces = '' }) => (this.members.has(replaces) ? [] : [replaces])))
    const loose = new Map((ids.size ? known(ids) : []).map((entry) => [entry.id, entry]))
    for (const entry of waiting) {
      const id = entry.replaces!
      // What it corrects may be set aside as well, and corrected by one that is there.
      const of = this.members.get(id) ?? loose.get(id) ?? this.over.get(id)?.[0]
      if (!of || !canCorrect(entry, of)) continue
      const root = this.rootOf(of.id)
      const said = found.get(root)?.said ?? (loose.has(id) ? [of] : this.endsOf(root))
      found.set(root, { root, said: [...said, entry] })
    }
    return [...found.values()].sort((a, b) => (a.root < b.root ? -1 : 1))
  }
  /** Corrections of another kind or lot that nobody took back: they count for nothing. */
  get refused(): readonly Entry[] {
    const open = ({ id }: Entry) => !(this.over.get(id) ?? []).some(({ kind }) => kind === 'retract')
    return [...this.refusedOnes.values()].filter(open).sort(laterFirst)
  }
  /** Entries that were taken back, by whom. What was said of a lot is changed by it, and no entry of the lot tells. */
  get takenBack(): readonly TakenBack[] {
    const found = [...this.over].flatMap(([id, entries]) => {
      const of = this.members.get(id)
      return of ? entries.flatMap((by) => (by.kind === 'retract' ? [{ of, byId: by.id }] : [])) : []
    })
    return found.sort((a, b) => (a.byId < b.byId ? -1 : 1))
  }
  /** Whether something was said over an entry. */
  isOver = (id: string): boolean => this.over.has(id)
  /** Whether an entry counts. */
  counts = (entry: Entry): boolean => (this.members.has(entry.id) ? this.standing.has(entry.id) : true)

  /**
   * Takes entries in, each once.
   * @param known finds entries that were there before. @returns those that count now and did not, and the other way
   *   round.
   */
  take(
    added: readonly Entry[],
    known: (ids: ReadonlySet<string>) => readonly Entry[],
  ): { come: Entry[]; gone: Entry[] } {
    const fresh = new Set(added.map(({ id }) => id))
    const asked = new Set(added.flatMap(({ replaces }) => (replaces && !this.members.has(replaces) ? [replaces] : [])))
    const wanted = new Set([...asked].filter((id) => !fresh.has(id)))
    for (const entry of wanted.size ? known(wanted) : []) {
      this.members.set(entry.id, entry)
      this.standing.add(entry.id)
    }
    for (const entry of added) {
      if (!entry.replaces) continue
      const beside = this.over.get(entry.replaces)
      if (beside) beside.push(entry)
      else this.over.set(entry.replaces, [entry])
    }
    const chained = added.filter(({ id, replaces }) => replaces !== undefined || this.over.has(id))
    for (const entry of chained) this.members.set(entry.id, entry)
    const come = added.filter(({ id }) => !this.members.has(id))
    const gone: Entry[] = []
    const roots = new Set(chained.map(({ id }) => this.rootOf(id)))
    // A root that was missing may be there now, and have one of its own.
    for (const { id } of chained) this.forked.delete(id)
    for (const root of roots) {
      const counts = this.settle(root)
      for (const entry of this.treeOf(root)) {
        const now = entry === counts
        if (now === this.standing.has(entry.id)) continue
        if (now) {
          this.standing.add(entry.id)
          come.push(entry)
        } else {
          this.standing.delete(entry.id)
          gone.push(entry)
        }
      }
    }
    return { come, gone }
  }

  /** The first of a chain, by any of it; it may not be here. */
  private rootOf(id: string): string {
    const path = [id]
    for (;;) {
      const next = this.members.get(path.at(-1)!)?.replaces
      if (next === undefined) return path.at(-1)!
      // A circle of corrections is nobody's log, but may be in a file: its root is the least of it.
      const before = path.indexOf(next)
      if (before >= 0) return path.slice(before).sort()[0]!
      path.push(next)
    }
  }

  /** All entries of a chain that are here. */
  private treeOf(root: string): Entry[] {
    const found = new Map<string, Entry>()
    const waiting = [root]
    for (let id = waiting.pop(); id !== undefined; id = waiting.pop()) {
      const entry = this.members.get(id)
      if (found.has(id)) continue
      if (entry) found.set(id, entry)
      waiting.push(...(this.over.get(id) ?? []).map((one) => one.id))
    }
    return [...found.values()]
  }

  /** Sets aside what corrects what it cannot, and all that was said over it. */
  private refuse(root: string): void {
    const waiting: [id: string, refused: boolean][] = [[root, false]]
    for (let next = waiting.pop(); next; next = waiting.pop()) {
      const [of, refused] = [this.members.get(next[0]), next[1]]
      for (const entry of this.over.get(next[0]) ?? []) {
        if (entry.id === root) continue
        const is = entry.kind !== 'retract' && (refused || (of !== undefined && !canCorrect(entry, of)))
        if (is) this.refusedOnes.set(entry.id, entry)
        else this.refusedOnes.delete(entry.id)
        waiting.push([entry.id, is])
      }
    }
  }

  /** What nobody corrected of a chain, written last first; the last of them holds. */
  private endsOf(root: string): Entry[] {
    this.refuse(root)
    const ends: Entry[] = []
    const over = (id: string) =>
      (this.over.get(id) ?? []).filter((entry) => entry.id !== root && !this.refusedOnes.has(entry.id))
    /** What took an entry back, and was not taken back itself. */
    const takenBackBy = (id: string): Entry | undefined =>
      over(id)
        .filter((entry) => entry.kind === 'retract' && !takenBackBy(entry.id))
        .sort(laterFirst)[0]
    /** Walks down from an entry, and tells whether anything of it still says something. */
    const walk = (entry: Entry): boolean => {
      const corrections = over(entry.id).filter(({ kind }) => kind !== 'retract')
      // Every one is walked, whether or not another said something.
      const corrected = corrections.map(walk).some(Boolean)
      const stands = !takenBackBy(entry.id)
      if (stands && !corrected) ends.push(entry)
      return stands || corrected
    }
    const first = this.members.get(root)
    if (first && first.kind !== 'retract') walk(first)
    else for (const entry of over(root)) if (entry.kind !== 'retract') walk(entry)
    const back = takenBackBy(root)
    return [...ends, ...(back ? [back] : [])].sort(laterFirst)
  }

  /** What counts of a chain; `null` where it was taken back, or nothing of it is here. */
  private settle(root: string): Entry | null {
    const said = this.endsOf(root)
    if (said.length > 1) this.forked.set(root, { root, said })
    else this.forked.delete(root)
    const last = said[0]
    return !last || last.kind === 'retract' ? null : last
  }
}
