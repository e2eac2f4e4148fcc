import { inLoft } from './loft'
import { tableAlone } from './opening'

/** A form that was begun and not confirmed; kept so that closing the browser loses nothing. */
export interface FormDraft {
  key: string
  value: unknown
}

/** Forms that were begun: a database of its own, so that typing never writes beside the log. */
export const drafts = tableAlone<FormDraft>(inLoft('lactofer-drafts'), 'drafts', 'key')
