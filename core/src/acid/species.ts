/**
 * A weak acid: neutral when fully protonated, or a generic binding site whose constant takes no activity correction.
 */
export interface AcidSpecies {
  name: string
  /** pKa at 25 °C and zero ionic strength, first step first. */
  pKa: readonly number[]
  /** A generic site (protein carboxyl, pectin): its constant is already an apparent one. */
  site?: boolean
  /** g/mol; absent for sites, which are only ever counted in mmol. */
  molarMassG?: number
}

/**
 * Weak acids of produce, ferments and vinegar.
 * pKa: CRC Handbook, 25 °C, zero ionic strength, from memory; the two generic sites are judgement.
 */
export const ACIDS = {
  lactic: { name: 'lactic', pKa: [3.86], molarMassG: 90.08 },
  acetic: { name: 'acetic', pKa: [4.756], molarMassG: 60.05 },
  citric: { name: 'citric', pKa: [3.128, 4.761, 6.396], molarMassG: 192.12 },
  malic: { name: 'malic', pKa: [3.4, 5.11], molarMassG: 134.09 },
  tartaric: { name: 'tartaric', pKa: [3.036, 4.366], molarMassG: 150.09 },
  succinic: { name: 'succinic', pKa: [4.207, 5.636], molarMassG: 118.09 },
  oxalic: { name: 'oxalic', pKa: [1.252, 4.266], molarMassG: 90.03 },
  quinic: { name: 'quinic', pKa: [3.5], molarMassG: 192.17 },
  fumaric: { name: 'fumaric', pKa: [3.02, 4.48], molarMassG: 116.07 },
  ascorbic: { name: 'ascorbic', pKa: [4.1], molarMassG: 176.12 },
  phosphoric: { name: 'phosphoric', pKa: [2.148, 7.198, 12.375], molarMassG: 98.0 },
  pectin: { name: 'pectin sites', pKa: [3.5], site: true },
  protein: { name: 'protein carboxyls', pKa: [4.2], site: true },
} as const satisfies Record<string, AcidSpecies>

export type AcidId = keyof typeof ACIDS

/** mmol of each acid; acids that are absent are left out. */
export type Acids = Partial<Record<AcidId, number>>

/** mmol of an acid in `massG` grams of it. */
export function acidMmol(id: AcidId, massG: number): number {
  const species: AcidSpecies = ACIDS[id]
  return species.molarMassG ? (1000 * massG) / species.molarMassG : 0
}

/** Grams of an acid in `mmol`; binding sites weigh nothing here. */
export function acidG(id: AcidId, mmol: number): number {
  return (mmol * ((ACIDS[id] as AcidSpecies).molarMassG ?? 0)) / 1000
}
