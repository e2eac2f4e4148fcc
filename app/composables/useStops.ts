import { tellReason } from '@lactofer/core'
import { tellMoment } from '~/clock/moments'
import { useBook } from '~/stores/book'

/** Why nothing may be made of a lot, in words; `null` where something may. */
export function useStops() {
  const book = useBook()
  return (lotId: string | undefined): string | null => {
    const judgement = lotId === undefined ? null : book.judgementOf({ id: lotId })
    return judgement?.make === 'stop' && judgement.makeBecause ? tellReason(judgement.makeBecause, tellMoment) : null
  }
}
