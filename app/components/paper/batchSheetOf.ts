import {
  formatMass,
  PACKING_CHECKS,
  styleById,
  type EntryOf,
  type Library,
  type Lot,
  type Row,
  type UnitWorld,
} from '@lactofer/core'
import { fullDay } from '~/clock/moments'
import type { BatchSheet } from '~/labels/batchSheet'

const howOf = ({ preparation, seedsOut, grower }: Row): string =>
  [preparation === 'raw' ? '' : preparation, seedsOut ? 'seeds out' : '', grower ?? ''].filter(Boolean).join(', ')

type Write = (massG: number) => string

/** What to weigh beside what was weighed, what was not planned after it; water and salt last. */
function rowsOf({ weighed }: Lot, made: EntryOf<'plan'>, library: Library, write: Write): BatchSheet['rows'] {
  const left = [...(weighed?.rows ?? [])]
  const weighedOf = (name: string) => {
    const index = left.findIndex((row) => row.name === name)
    const [row] = index >= 0 ? left.splice(index, 1) : []
    return row ? write(row.massG) : ''
  }
  const planned = made.rows.map((row) => ({
    name: row.name,
    how: howOf(row),
    planned: write(row.massG),
    weighed: weighed ? weighedOf(row.name) || 'left out' : '',
  }))
  const beside = (name: string, how: string, plannedG: number, weighedG: number | undefined) => ({
    name,
    how,
    planned: write(plannedG),
    weighed: weighedG === undefined ? '' : write(weighedG),
  })
  const salt = library.salts.find(({ id }) => id === made.saltId)?.name ?? ''
  return [
    ...planned,
    ...left.map((row) => ({ name: row.name, how: 'not planned', planned: '', weighed: write(row.massG) })),
    ...(made.waterG > 0 ? [beside('Water', '', made.waterG, weighed?.waterG)] : []),
    ...(made.saltG > 0 || weighed?.saltG ? [beside('Salt', salt, made.saltG, weighed?.saltG)] : []),
  ]
}

function vesselWords(lot: Lot, library: Library, write: Write): string[] {
  return (lot.packed?.vessels ?? []).map(({ mark, vesselId, massG, tareG, hot }) => {
    const empty = tareG === undefined ? '' : `, empty ${write(tareG)}`
    const name = library.vessel(vesselId)?.name ?? vesselId
    return `${lot.code}${mark}: ${name}, ${write(massG)}${empty}${hot ? ', HOT' : ''}`
  })
}

/** What stands on the batch sheet of a planned lot. */
export function batchSheetOf(lot: Lot, made: EntryOf<'plan'>, library: Library, world: UnitWorld): BatchSheet {
  const style = styleById(made.style)
  const write = (massG: number) => formatMass(massG, world, world === 'metric')
  return {
    code: lot.code,
    name: lot.name,
    facts: [
      ['Style', style.name],
      ['Salt', `${made.saltPct} % of the ${made.saltBasis}`],
      ...(style.ferments ? [['Target pH', made.targetPh.toFixed(2)] as [string, string]] : []),
      ['Usual time', style.days.words],
      ['Start', lot.packed ? fullDay(lot.packed.at) : '__________'],
    ],
    rows: rowsOf(lot, made, library, write),
    vessels: vesselWords(lot, library, write),
    checks: PACKING_CHECKS.filter(({ id }) => style.checks.includes(id)).map(({ id, text }) => ({
      text,
      done: lot.checked?.done.includes(id) ?? false,
    })),
    cautions: [...style.cautions],
  }
}
