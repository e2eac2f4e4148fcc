import { titratablePct } from '../acid/titration'
import { wayOf } from '../keep/ways'
import { PACKING_CHECKS, type PackingCheck } from '../library/checks'
import { formatNumber } from '../units/number'
import { formatMass, formatTemperature, type UnitWorld } from '../units/quantity'
import { TASTES, type Entry, type EntryOf, type Taste } from './entry'

/** A taste as words: "sour 3, raw onion 1". */
export const tasteWords = (taste: Partial<Record<Taste, number>>): string =>
  TASTES.flatMap((name) => (taste[name] === undefined ? [] : [`${name} ${taste[name]}`])).join(', ')

const contentWords = ({ rows, waterG, saltG }: Pick<EntryOf<'add'>, 'rows' | 'waterG' | 'saltG'>, world: UnitWorld) =>
  [
    ...rows.map((row) => `${formatMass(row.massG, world)} ${row.name.toLowerCase()}`),
    ...(waterG > 0 ? [`${formatMass(waterG, world)} water`] : []),
    ...(saltG > 0 ? [`${formatMass(saltG, world)} salt`] : []),
  ].join(', ')
const checkWords = (id: PackingCheck) => PACKING_CHECKS.find((check) => check.id === id)?.text.toLowerCase() ?? id

/** Pictures kept with an entry. */
export const photosOf = (entry: Entry): readonly string[] => ('photos' in entry ? (entry.photos ?? []) : [])

/** An entry as a line of the log. */
export function entryWords(entry: Entry, world: UnitWorld): string {
  switch (entry.kind) {
    case 'plan':
      return `Planned: ${formatMass(
        entry.rows.reduce((sum, row) => sum + row.massG, 0),
        world,
      )} of ${entry.rows.map((row) => row.name.toLowerCase()).join(', ')}, ${formatMass(entry.saltG, world)} salt (${entry.saltPct} % of the ${entry.saltBasis})`
    case 'pack':
      return `Packed into ${entry.vessels.length} ${entry.vessels.length === 1 ? 'vessel' : 'vessels'}, ${entry.closure}, at ${entry.place}`
    case 'reading':
      return [
        entry.ph === undefined ? '' : `pH ${entry.ph.toFixed(2)}${entry.of === 'liquid' ? ' in the liquid' : ''}`,
        entry.tempC === undefined ? '' : formatTemperature(entry.tempC, world),
        entry.saltPct === undefined ? '' : `salt ${entry.saltPct} %`,
        entry.brixPct === undefined ? '' : `${entry.brixPct} °Brix`,
        entry.titration ? `${titratablePct(entry.titration).toFixed(2)} % titrated as lactic` : '',
        entry.massG === undefined ? '' : `weighs ${formatMass(entry.massG, world)}`,
        entry.taste ? `tastes: ${tasteWords(entry.taste)}` : '',
        entry.tasting
          ? `dilutions: ${entry.tasting.map(({ dilution, felt }) => `1 : ${formatNumber(dilution)} ${felt ? 'felt' : 'nothing'}`).join(', ')}`
          : '',
        entry.instrument?.kind === 'strip'
          ? '(strips)'
          : entry.instrument?.calibratedAt
            ? '(calibrated meter)'
            : entry.instrument?.kind === 'probe'
              ? `(${entry.instrument.name})`
              : '',
        entry.note ?? '',
      ]
        .filter(Boolean)
        .join(', ')
    case 'logged':
      return `Record of ${entry.name}: ${entry.rows} lines, ${entry.points.length} points kept`
    case 'decide':
      return (
        {
          cold: `To the cold, ${entry.place ?? ''}`,
          warm: `Back to the warm, ${entry.place ?? ''}`,
          wait: 'More time',
          ready: 'Called ready',
        }[entry.decision] +
        (entry.tempC === undefined ? '' : `, ${formatTemperature(entry.tempC, world)}`) +
        (entry.reason ? `: ${entry.reason}` : '')
      )
    case 'calibrate':
      return `${entry.meter} calibrated: slope ${entry.slopePct.toFixed(1)} %, ${entry.offsetMv.toFixed(0)} mV${entry.accepted ? '' : ', not accepted'}`
    case 'chore':
      return `${entry.chore[0]?.toUpperCase()}${entry.chore.slice(1)}${entry.skipped ? ` skipped: ${entry.skipped}` : ''}${entry.note ? `: ${entry.note}` : ''}`
    case 'sign':
      return `Seen: ${entry.sign}${entry.level ? ` (${entry.level}${entry.answers?.length ? `: ${entry.answers.join(', ')}` : ''})` : ''}${entry.note ? `. ${entry.note}` : ''}`
    case 'discard':
      return `Discarded${entry.marks ? ` ${entry.marks.join(', ')}` : ''}${entry.massG ? `, ${formatMass(entry.massG, world)}` : ''}: ${entry.reason}`
    case 'press':
      return `Pressed (${entry.method}): ${formatMass(entry.inG, world)} in, ${formatMass(entry.baseG, world)} base, ${formatMass(entry.pulpG, world)} pulp${entry.brineG ? `, ${formatMass(entry.brineG, world)} brine kept apart` : ''}, to ${entry.code}`
    case 'trial':
      return `${entry.name}: ${entry.parts.map((part) => `${formatNumber(part.massG, 1)} g ${part.name.toLowerCase()}`).join(', ')}${entry.ph === undefined ? '' : `; pH ${entry.ph.toFixed(2)}`}${entry.saltPct === undefined ? '' : `, salt ${entry.saltPct} %`}${entry.taste ? `; ${tasteWords(entry.taste)}` : ''}${entry.note ? `; ${entry.note}` : ''}`
    case 'stock':
      return `Into stock: ${formatMass(entry.massG, world)} ${entry.name}`
    case 'blend':
      return `Blended into ${entry.code} ${entry.name}: ${entry.parts.map((part) => `${formatMass(part.massG, world)} ${part.name}`).join(', ')}`
    case 'bottle':
      return `Bottled: ${entry.count} of ${entry.bottleMl} mL, ${entry.code}; ${wayOf(entry.treatment).name.toLowerCase()}${entry.retained ? `, ${entry.retained} kept as a sample` : ''}${entry.lastFillTempC === undefined ? '' : `, last bottle ${formatTemperature(entry.lastFillTempC, world)}`}${entry.netG?.length ? `; ${entry.netG.length} weighed, ${formatNumber(Math.min(...entry.netG), 1)} to ${formatNumber(Math.max(...entry.netG), 1)} g net` : ''}; best before ${entry.bestBefore}`
    case 'release':
      return `${entry.decision === 'released' ? 'Released' : 'Held'}${entry.initials ? ` by ${entry.initials}` : ''}: ${entry.reason}`
    case 'send':
      return `${entry.count} ${entry.count === 1 ? 'bottle' : 'bottles'} ${entry.how ?? 'sold'}${entry.place ? ` from ${entry.place}` : ''}: ${entry.to}`
    case 'move':
      return `${entry.count === undefined ? 'All of it' : `${entry.count} ${entry.count === 1 ? 'bottle' : 'bottles'}`}${entry.from ? ` from ${entry.from}` : ''} to ${entry.place}`
    case 'use':
      return `${formatMass(entry.massG, world)} ${entry.how}: ${entry.to}`
    case 'heat':
      return `Heat of the ${entry.where}, ${entry.name}: ${entry.points.length} ${entry.points.length === 1 ? 'reading' : 'readings'}, up to ${formatTemperature(Math.max(...entry.points.map(([, tempC]) => tempC)), world)}${entry.note ? `. ${entry.note}` : ''}`
    case 'printed':
      return entry.byHand ? `Labels written by hand: ${entry.count}` : `Labels printed: ${entry.count}, ${entry.size}`
    case 'recall':
      return `${entry.exercise ? 'Recall exercise' : 'Recall'}: ${entry.made} made, ${entry.here} here, ${entry.out} out${entry.found === undefined ? '' : `, ${entry.found} found`}${entry.minutes === undefined ? '' : ` in ${formatNumber(entry.minutes)} min`}${entry.note ? `. ${entry.note}` : ''}`
    case 'format':
      return `Bottle: ${entry.name}, filled to ${formatNumber(entry.fillMl)} mL`
    case 'supply':
      return `Packaging ${entry.what}: ${entry.count} × ${entry.item}, ${entry.fits}`
    case 'weigh':
      return `Weighed in: ${contentWords(entry, world)}`
    case 'add':
      return `Put in: ${contentWords(entry, world)}. ${entry.reason}`
    case 'check':
      return `Looked at before packing: ${entry.done.map(checkWords).join('; ')}${entry.open.length ? `. Not ticked: ${entry.open.map(checkWords).join('; ')}` : ''}`
    case 'recipe':
      return `Recipe: ${entry.name}${entry.note ? `, ${entry.note}` : ''}`
    case 'material':
      return entry.forget ? `Own values of ${entry.name} taken back` : `Own values: ${entry.name}`
    case 'vessel':
      return `Vessel: ${entry.count} × ${entry.name}`
    case 'retract':
      return `Taken back: ${entry.reason}`
  }
}
