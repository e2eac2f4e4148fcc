/** What is looked at before packing. Common practice; each with the reason that makes people do it. */
export const PACKING_CHECKS = [
  {
    id: 'sound',
    text: 'Produce cut open and looked at: sound inside',
    why: 'Discoloured or mouldy seeds spoil the batch.',
  },
  {
    id: 'washed',
    text: 'Produce washed under running water, bruises cut away',
    why: 'Soil carries the germs that salt and acid have to hold.',
  },
  {
    id: 'water',
    text: 'Water free of chlorine',
    why: 'Stood overnight or boiled, chlorine goes; chloramine does not boil off: a carbon filter takes it.',
  },
  {
    id: 'salt',
    text: 'Salt without iodine or caking agents',
    why: 'They cloud the brine and can hold the ferment back.',
  },
  {
    id: 'vessel',
    text: 'Vessel clean and rinsed, no chips',
    why: 'Soap and old brine do harm; a chip hides dirt and breaks.',
  },
  { id: 'lid', text: 'Lid underside and grommet sanitised', why: 'Above the mash is where black mould starts.' },
  { id: 'tray', text: 'A tray under it', why: 'A mash rises and creeps out through the lid.' },
  { id: 'gloves', text: 'Gloves on, room aired', why: 'Hot peppers stay on skin for hours.' },
  {
    id: 'cold',
    text: 'A place in the cold made ready, 4 °C or below',
    why: 'Seafood paste is kept cold from the first minute.',
  },
  {
    id: 'pierced',
    text: 'Whole pods pierced or slit',
    why: 'What does not get in leaves a pocket of water: whole pods are in doubt until a ground sample is read.',
  },
  {
    id: 'pot',
    text: 'Pot of steel, enamel or glass',
    why: 'No aluminium, copper, zinc or bare iron with acid and salt.',
  },
  { id: 'air', text: 'Hood on, window open', why: 'Pepper vapour burns eyes and lungs.' },
  { id: 'seal', text: 'Bag seal dry and tested', why: 'A wet seal lets air in after a day.' },
] as const

export type PackingCheck = (typeof PACKING_CHECKS)[number]['id']
