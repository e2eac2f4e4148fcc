import { produce, type ProduceRow } from './rows'
import type { Material, Triple } from './material'

/** Dried things: little water, some sugar; from memory. Spooned: common practice. */
const spice = (
  id: string,
  name: string,
  color: string,
  spoon: Triple,
  row: Partial<ProduceRow> & { names?: string } = {},
): Material => {
  const material = produce('herb', id, name, color, {
    sugar: [0.5, 2, 4],
    ph: [5, 5.8, 6.4],
    acids: { malic: [0.1, 0.3, 0.8] },
    water: [6, 9, 12],
    cup: [40 * spoon[0], 48 * spoon[1], 52 * spoon[2]],
    spoon,
    ...row,
  })
  // What is dry comes in no bunch, and brings little that lives.
  const { bunch: _bunch, sprig: _sprig, handful: _handful, ...countedG } = material.countedG
  return { ...material, countedG, livens: false }
}

/** A leaf that goes in whole, for its tannin or its scent. */
const leaf = (id: string, name: string, color: string, names: string, cup: Triple, dry = false): Material => {
  const material = produce('herb', id, name, color, {
    names,
    sugar: [0.5, 1.5, 3],
    ph: dry ? [5, 5.6, 6.2] : [3.6, 4.8, 6],
    acids: { malic: dry ? [0.1, 0.3, 0.6] : [0.1, 0.5, 1.2] },
    water: dry ? [5, 8, 11] : [70, 76, 84],
    cup,
  })
  const { bunch: _bunch, sprig: _sprig, ...countedG } = material.countedG
  return { ...material, countedG }
}

/** Seeds, dried herbs and spices, and leaves for the jar. */
export const SPICES: readonly Material[] = [
  spice('coriander-seed', 'Coriander seed', '#a98a4e', [1.5, 1.8, 2.1], {
    from: 'G024',
    sugar: [0.5, 2, 3.5],
    cup: [75, 85, 95],
  }),
  spice('cumin-seed', 'Cumin seed', '#8f7440', [1.9, 2.1, 2.4], {
    from: 'G025',
    sugar: [0.5, 2, 3.5],
    cup: [90, 100, 110],
  }),
  spice('cumin', 'Cumin, ground', '#8a6a35', [2, 2.3, 2.7], { names: 'cumin powder' }),
  spice('mustard-seed', 'Mustard seed', '#c9a23a', [3.2, 3.6, 4], {
    sugar: [3, 6, 7],
    water: [5, 6, 8],
    allergens: ['mustard'],
    cup: [160, 175, 190],
  }),
  spice('oregano-dried', 'Oregano, dried', '#6f7a4a', [0.9, 1.1, 1.5], { names: 'dried oregano' }),
  spice('thyme-dried', 'Thyme, dried', '#7c7f58', [0.9, 1.2, 1.5], { names: 'dried thyme' }),
  spice('cinnamon', 'Cinnamon, ground', '#8f5a34', [2.3, 2.6, 3], { names: 'cinnamon powder' }),
  spice('clove', 'Cloves', '#5a3a26', [1.9, 2.1, 2.4], { names: 'clove spice', piece: [0.05, 0.08, 0.12] }),
  spice('allspice', 'Allspice', '#6a4630', [1.7, 1.9, 2.3], {
    names: 'pimenta, jamaica pepper',
    piece: [0.05, 0.08, 0.12],
  }),
  spice('star-anise', 'Star anise', '#7a4a2a', [1, 1.5, 2], { piece: [0.7, 1.2, 2] }),
  spice('cardamom', 'Cardamom pods', '#a8ad6e', [1.5, 2, 2.4], { piece: [0.1, 0.2, 0.3] }),
  spice('peppercorn', 'Peppercorns', '#3a332c', [2.6, 2.9, 3.3], { names: 'black pepper', piece: [0.03, 0.05, 0.07] }),
  spice('dill-seed', 'Dill seed', '#9a8a52', [1.9, 2.1, 2.4]),
  leaf('bay', 'Bay leaf', '#7a8a55', 'laurel', [4, 7, 12], true),
  leaf('vine-leaf', 'Vine leaf', '#5d8440', 'grape leaf', [20, 30, 45]),
  leaf('oak-leaf', 'Oak leaf', '#6b7a3c', '', [12, 20, 30]),
  leaf('horseradish-leaf', 'Horseradish leaf', '#5f8a3a', '', [25, 40, 60]),
]
