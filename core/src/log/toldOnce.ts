/**
 * What is told of something by itself, told once of each: of a lot in a book, or an entry, which never change. What is
 * told is shared by all who ask, and not to be changed either.
 */
export function toldOnce<Of extends object, Told>(tell: (of: Of) => Told): (of: Of) => Told {
  const known = new WeakMap<Of, { told: Told }>()
  return (of) => {
    const here = known.get(of) ?? { told: tell(of) }
    known.set(of, here)
    return here.told
  }
}
