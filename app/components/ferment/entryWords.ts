import { formatMass, formatTemperature, type Entry, type UnitWorld } from '@lactofer/core'

/** An entry as a line of the log. */
export function entryWords(entry: Entry, world: UnitWorld): string {
  switch (entry.kind) {
    case 'plan': return `Planned: ${formatMass(entry.rows.reduce((sum, row) => sum + row.massG, 0), world)} of ${entry.rows.map(row => row.name.toLowerCase()).join(', ')}, ${formatMass(entry.saltG, world)} salt (${entry.saltPct} % of the ${entry.saltBasis})`
    case 'pack': return `Packed into ${entry.vessels.length} ${entry.vessels.length === 1 ? 'vessel' : 'vessels'}, ${entry.closure}, at ${entry.place}`
    case 'reading': return [entry.ph === undefined ? '' : `pH ${entry.ph.toFixed(2)}`, entry.tempC === undefined ? '' : formatTemperature(entry.tempC, world), entry.instrument?.calibratedAt ? '(calibrated meter)' : '', entry.note ?? ''].filter(Boolean).join(', ')
    case 'chore': return `${entry.chore[0]?.toUpperCase()}${entry.chore.slice(1)}${entry.note ? `: ${entry.note}` : ''}`
    case 'sign': return `Seen: ${entry.sign}${entry.note ? `. ${entry.note}` : ''}`
    case 'discard': return `Discarded: ${entry.reason}`
    case 'press': return `Pressed (${entry.method}): ${formatMass(entry.inG, world)} in, ${formatMass(entry.baseG, world)} base, ${formatMass(entry.pulpG, world)} pulp, to ${entry.code}`
    case 'stock': return `Into stock: ${formatMass(entry.massG, world)} ${entry.name}`
    case 'blend': return `Blended into ${entry.code} ${entry.name}: ${entry.parts.map(part => `${formatMass(part.massG, world)} ${part.name}`).join(', ')}`
    case 'bottle': return `Bottled: ${entry.count} of ${entry.bottleMl} mL, ${entry.code}`
    case 'release': return `${entry.decision === 'released' ? 'Released' : 'Held'}: ${entry.reason}`
    case 'send': return `${entry.count} bottles to ${entry.to}`
    case 'retract': return `Taken back: ${entry.reason}`
  }
}
