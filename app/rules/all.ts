/*
 * What a log means: how its entries are received and folded, what a lot is made of, the judge, what is asked for. It is
 * a third of the code of the first page, and an empty log needs none of it: a file of its own, fetched with the first
 * entry (`rules`).
 */
export {
  allLots,
  asksOf,
  blendAsks,
  bottleAsks,
  codeTaken,
  compositionOf,
  disagreementsOf,
  fileParts,
  fold,
  holds,
  ingredientsOf,
  homeMark,
  judgeOf,
  looksOf,
  lotsFermenting,
  lotsInStock,
  lotsOnHand,
  lotsPlanned,
  lotCaseOf,
  measuredPhs,
  mergeEntries,
  mergeNewer,
  ofMass,
  openLedger,
  ownEntry,
  partComposition,
  PH_LINE,
  receive,
  summaryOf,
  toldJudgement,
  worstFirst,
} from '@lactofer/core'
