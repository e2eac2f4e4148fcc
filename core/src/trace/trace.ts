import type { Row } from '../log/contents'
import type { Book } from '../lots/fold'
import type { Lot } from '../log/lot'
import { ancestors, descendants } from '../lots/lineage'

/** A point of a trace: what a grower brought (`from` names who), a lot, or where bottles went. */
export interface TraceNode {
  id: string
  kind: 'delivery' | 'lot' | 'place'
  name: string
  code: string
  lot: Lot | null
  atMs: number
  from: string
  detail: string
}
/** Mass that went from one point to another, g; `bottles` where it went in bottles. */
export interface TraceEdge {
  from: string
  to: string
  massG: number
  bottles: number | null
}
export interface Trace {
  nodes: TraceNode[]
  edges: TraceEdge[]
}

/** What was weighed into a lot from outside: produce with its grower, vinegar, water, salt. */
function deliveriesOf(lot: Lot): { name: string; grower: string; massG: number }[] {
  const { made } = lot
  const outside = (rows: readonly Pick<Row, 'name' | 'massG' | 'lotId' | 'grower'>[]) =>
    rows.filter((row) => !row.lotId).map(({ name, massG, grower = '' }) => ({ name, massG, grower }))
  const more = lot.added.flatMap(({ rows, waterG, saltG }) => [
    ...outside(rows),
    { name: 'Water', grower: '', massG: waterG },
    { name: 'Salt', grower: '', massG: saltG },
  ])
  switch (made.kind) {
    case 'plan': {
      const { rows, waterG, saltG } = lot.weighed ?? made
      return [
        ...outside(rows),
        { name: 'Water', grower: '', massG: waterG },
        { name: 'Salt', grower: '', massG: saltG },
        ...more,
      ]
    }
    case 'blend':
      return [
        ...made.parts.filter((part) => !part.lotId).map(({ name, massG }) => ({ name, massG, grower: '' })),
        ...more,
      ]
    default:
      return []
  }
}

/** Nodes and streams as they are gathered, each once; streams between the same two add up. */
class Gathering {
  readonly nodes = new Map<string, TraceNode>()
  readonly edges = new Map<string, TraceEdge>()

  put(node: TraceNode): void {
    if (!this.nodes.has(node.id)) this.nodes.set(node.id, node)
  }

  flow(from: string, to: string, massG: number, bottles: number | null = null): void {
    if (!(massG > 0) || from === to) return
    const known = this.edges.get(`${from}>${to}`)
    this.edges.set(`${from}>${to}`, {
      from,
      to,
      massG: massG + (known?.massG ?? 0),
      bottles: bottles === null ? null : bottles + (known?.bottles ?? 0),
    })
  }

  lot(lot: Lot): void {
    const { id, name, code, startedMs: atMs, state: detail } = lot
    this.put({ id, kind: 'lot', name, code, lot, atMs, from: '', detail })
  }

  /** What came into a lot from outside. */
  deliveries(lot: Lot): void {
    for (const { name, grower, massG } of deliveriesOf(lot)) {
      if (!(massG > 0)) continue
      const id = `in:${lot.id}:${name}:${grower}`
      const detail = grower || 'source not written down'
      this.put({ id, kind: 'delivery', name, code: '', lot: null, atMs: lot.startedMs, from: grower, detail })
      this.flow(id, lot.id, massG)
    }
  }

  /** Where the bottles of a lot are. */
  bottles({ id: lotId, madeG, bottles }: Lot): void {
    if (!bottles) return
    const each = madeG / bottles.made
    const stand = (kind: string, name: string, count: number) => {
      if (count <= 0) return
      const id = `at:${kind}:${name}`
      this.put({ id, kind: 'place', name, code: '', lot: null, atMs: Infinity, from: '', detail: kind })
      this.flow(lotId, id, count * each, count)
    }
    for (const { place, count } of bottles.places) stand('here', place, count)
    stand('here', 'Retained sample', bottles.retained)
    stand('gone', 'Discarded', bottles.discarded)
    for (const { how, to, count } of bottles.out) stand(how, to, count)
  }
}

/**
 * Everything a lot came from, down to what each grower brought, and everything it went into, up to where the bottles
 * are.
 * Never runs in a circle.
 */
export function traceOf(book: Book, lotId: string): Trace {
  const self = book.lots.get(lotId)
  if (!self) return { nodes: [], edges: [] }
  const back = ancestors(book, lotId).map((kin) => kin.lot)
  const forth = descendants(book, lotId).map((kin) => kin.lot)
  const lots = new Map([...back, self, ...forth].map((lot) => [lot.id, lot]))
  const found = new Gathering()
  for (const lot of lots.values()) {
    found.lot(lot)
    for (const { lotId: sourceId, massG } of lot.from) if (lots.has(sourceId)) found.flow(sourceId, lot.id, massG)
  }
  // What was put into the lots further on is not what this one is made of.
  for (const lot of [...back, self]) found.deliveries(lot)
  for (const lot of [self, ...forth]) found.bottles(lot)
  return { nodes: [...found.nodes.values()], edges: withoutLoops([...found.edges.values()]) }
}

/** The same edges without those that would close a circle: a file that was tampered with must not draw one. */
function withoutLoops(edges: readonly TraceEdge[]): TraceEdge[] {
  const next = new Map<string, string[]>()
  const reaches = (from: string, to: string): boolean =>
    from === to || (next.get(from) ?? []).some((step) => reaches(step, to))
  return edges.filter(({ from, to }) => {
    if (reaches(to, from)) return false
    next.set(from, [...(next.get(from) ?? []), to])
    return true
  })
}
