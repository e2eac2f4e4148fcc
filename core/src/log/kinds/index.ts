// Written by `npm run generate` from the files of this folder; not to be edited.
import add from './add'
import blend from './blend'
import bottle from './bottle'
import buffers from './buffers'
import calibrate from './calibrate'
import check from './check'
import chore from './chore'
import decide from './decide'
import discard from './discard'
import format from './format'
import heat from './heat'
import logged from './logged'
import material from './material'
import move from './move'
import overflow from './overflow'
import pack from './pack'
import plan from './plan'
import press from './press'
import printed from './printed'
import process from './process'
import reading from './reading'
import recall from './recall'
import recipe from './recipe'
import recode from './recode'
import release from './release'
import retract from './retract'
import send from './send'
import sense from './sense'
import share from './share'
import sign from './sign'
import stock from './stock'
import supply from './supply'
import trial from './trial'
import use from './use'
import vessel from './vessel'
import weigh from './weigh'

export * from './add'
export * from './blend'
export * from './bottle'
export * from './buffers'
export * from './calibrate'
export * from './check'
export * from './chore'
export * from './decide'
export * from './discard'
export * from './format'
export * from './heat'
export * from './logged'
export * from './material'
export * from './move'
export * from './overflow'
export * from './pack'
export * from './plan'
export * from './press'
export * from './printed'
export * from './process'
export * from './reading'
export * from './recall'
export * from './recipe'
export * from './recode'
export * from './release'
export * from './retract'
export * from './send'
export * from './sense'
export * from './share'
export * from './sign'
export * from './stock'
export * from './supply'
export * from './trial'
export * from './use'
export * from './vessel'
export * from './weigh'

/** All there is to know of each kind of entry, by its name. */
export const KINDS = {
  add,
  blend,
  bottle,
  buffers,
  calibrate,
  check,
  chore,
  decide,
  discard,
  format,
  heat,
  logged,
  material,
  move,
  overflow,
  pack,
  plan,
  press,
  printed,
  process,
  reading,
  recall,
  recipe,
  recode,
  release,
  retract,
  send,
  sense,
  share,
  sign,
  stock,
  supply,
  trial,
  use,
  vessel,
  weigh,
} as const

/** Their schemas, one for each kind. */
export const SCHEMAS = [
  add.schema,
  blend.schema,
  bottle.schema,
  buffers.schema,
  calibrate.schema,
  check.schema,
  chore.schema,
  decide.schema,
  discard.schema,
  format.schema,
  heat.schema,
  logged.schema,
  material.schema,
  move.schema,
  overflow.schema,
  pack.schema,
  plan.schema,
  press.schema,
  printed.schema,
  process.schema,
  reading.schema,
  recall.schema,
  recipe.schema,
  recode.schema,
  release.schema,
  retract.schema,
  send.schema,
  sense.schema,
  share.schema,
  sign.schema,
  stock.schema,
  supply.schema,
  trial.schema,
  use.schema,
  vessel.schema,
  weigh.schema,
] as const
