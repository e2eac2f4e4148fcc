import { inLoft } from './loft'

const LOCK = inLoft('lactofer-writing')

/** Writes side by side with others, in workers too; never while all is erased. */
export const writing = <Answer>(work: () => Promise<Answer>, mode: LockMode = 'shared'): Promise<Answer> =>
  'locks' in navigator ? (navigator.locks.request(LOCK, { mode }, work) as Promise<Answer>) : work()
