import { tellReason } from '@lactofer/core'
import { tellMoment } from '~/clock/moments'
import { useBook } from '~/stores/book'

/** Why nothing may be made of a lot, in words; `null` where something may. */
export function useStops() {
  const book = useBook()
  return (lotId: string | undefined): string | null => {
    const standing = lotId === undefined ? null : book.standing({ id: lotId })
    return standing?.make === 'stop' && standing.makeBecause ? tellReason(standing.makeBecause, tellMoment) : null
  }
}
