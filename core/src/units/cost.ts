/** What something cost, in the maker's own money, and what of it has no price. */
export interface Cost {
  money: number
  unpriced: string[]
}
