import type { Piece } from '../amount/words'
import type { MaterialKind, Triple } from './material'

/* What is counted of a thing besides the piece, g: common practice, with the range met. Weigh it when you can. */

type Counted = Readonly<Partial<Record<Piece | 'juice', Triple>>>

/** A handful in cups, loosely held. Judgement. */
export const HANDFUL_OF_CUP: Triple = [0.4, 0.7, 1.2]

/** Of a kind, where the thing itself says nothing. */
export const USUAL_COUNTED: Partial<Record<MaterialKind, Counted>> = {
  herb: { bunch: [25, 45, 80], sprig: [0.5, 1.2, 3] },
}

export const COUNTED: Readonly<Record<string, Counted>> = {
  garlic: { clove: [3, 5, 7], head: [35, 50, 75] },
  onion: { slice: [8, 14, 25] },
  celery: { stalk: [30, 45, 65], head: [400, 550, 750] },
  lettuce: { head: [250, 400, 600], leaf: [5, 10, 20] },
  cabbage: { head: [700, 1000, 1600], leaf: [15, 28, 50] },
  'cabbage-red': { head: [700, 1000, 1600], leaf: [15, 28, 50] },
  'cabbage-chinese': { head: [600, 900, 1500], leaf: [20, 35, 60] },
  'pak-choi': { head: [80, 150, 300] },
  cauliflower: { head: [500, 800, 1300] },
  fennel: { head: [150, 230, 350] },
  spinach: { bunch: [150, 250, 350], handful: [20, 30, 45] },
  'spring-onion': { bunch: [80, 110, 160] },
  radish: { bunch: [150, 220, 320] },
  lemongrass: { stalk: [10, 18, 30] },
  leek: { stalk: [120, 200, 320] },
  ginger: { slice: [2, 4, 7] },
  turmeric: { slice: [1, 2, 4] },
  coriander: { bunch: [30, 60, 100] },
  parsley: { bunch: [40, 60, 100] },
  mint: { bunch: [30, 50, 90], leaf: [0.1, 0.25, 0.5] },
  basil: { bunch: [25, 45, 80], leaf: [0.2, 0.4, 0.9] },
  'curry-leaf': { sprig: [1, 2, 4], leaf: [0.1, 0.15, 0.3] },
  bay: { leaf: [0.1, 0.2, 0.4] },
  'vine-leaf': { leaf: [2, 4, 7] },
  'oak-leaf': { leaf: [0.8, 1.5, 3] },
  'horseradish-leaf': { leaf: [8, 16, 30] },
  'dill-flower': { sprig: [3, 6, 12] },
  lemon: { slice: [6, 9, 14], wedge: [12, 18, 28] },
  lime: { slice: [4, 6, 10], wedge: [8, 12, 18] },
  'lime-juice': { juice: [20, 30, 45] },
  'lemon-juice': { juice: [35, 45, 60] },
  'orange-juice': { juice: [60, 80, 110] },
  'starter-packet': { packet: [1.5, 2, 5] },
}
