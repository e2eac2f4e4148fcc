import { permits, type Process } from '../keep/process'
import { bottomOf, type Reason } from './reasons'

/** Whether a process permits the deviation that a reason is about. */
export function isPermitted(reason: Reason, process: Process | null): boolean {
  const { code } = bottomOf(reason)
  if (code === 'salty and late') return permits(process, 'salty and late')
  return (code === 'home use' || code === 'may have passed late') && permits(process, 'passed late')
}
