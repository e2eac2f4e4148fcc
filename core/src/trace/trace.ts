import type { Row } from '../log/contents'
import type { Book } from '../log/fold'
import type { Lot } from '../log/lot'
import { ancestors, descendants } from '../log/lineage'

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
  const nodes = new Map<string, TraceNode>()
  const edges = new Map<string, TraceEdge>()
  const put = (node: TraceNode) => {
    if (!nodes.has(node.id)) nodes.set(node.id, node)
  }
  const flow = (from: string, to: string, massG: number, bottles: number | null = null) => {
    if (!(massG > 0) || from === to) return
    const known = edges.get(`${from}>${to}`)
    edges.set(`${from}>${to}`, {
      from,
      to,
      massG: massG + (known?.massG ?? 0),
      bottles: bottles === null ? null : bottles + (known?.bottles ?? 0),
    })
  }
  for (const lot of lots.values()) {
    put({
      id: lot.id,
      kind: 'lot',
      name: lot.name,
      code: lot.code,
      lot,
      atMs: lot.startedMs,
      from: '',
      detail: lot.state,
    })
    for (const { lotId: sourceId, massG } of lot.from) if (lots.has(sourceId)) flow(sourceId, lot.id, massG)
  }
  // What was put into the lots further on is not what this one is made of.
  for (const lot of [...back, self]) {
    for (const { name, grower, massG } of deliveriesOf(lot)) {
      if (!(massG > 0)) continue
      const id = `in:${lot.id}:${name}:${grower}`
      put({
        id,
        kind: 'delivery',
        name,
        code: '',
        lot: null,
        atMs: lot.startedMs,
        from: grower,
        detail: grower || 'source not written down',
      })
      flow(id, lot.id, massG)
    }
  }
  for (const lot of [self, ...forth]) {
    if (!lot.bottles) continue
    const each = lot.madeG / lot.bottles.made
    const stand = (kind: string, name: string, count: number) => {
      if (count <= 0) return
      const id = `at:${kind}:${name}`
      put({ id, kind: 'place', name, code: '', lot: null, atMs: Infinity, from: '', detail: kind })
      flow(lot.id, id, count * each, count)
    }
    for (const { place, count } of lot.bottles.places) stand('here', place, count)
    stand('here', 'Retained sample', lot.bottles.retained)
    stand('gone', 'Discarded', lot.bottles.discarded)
    for (const { how, to, count } of lot.bottles.out) stand(how, to, count)
  }
  return { nodes: [...nodes.values()], edges: withoutLoops([...edges.values()]) }
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
