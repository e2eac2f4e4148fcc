import Dexie, { type Table } from 'dexie'
import { watched } from './opening'

/** A form that was begun and not confirmed; kept so that closing the browser loses nothing. */
export interface FormDraft {
  key: string
  value: unknown
}

/** Forms that were begun: a database of its own, so that typing never writes beside the log. */
class Drafts extends Dexie {
  declare drafts: Table<FormDraft, string>

  constructor() {
    super('lactofer-drafts', watched())
    this.version(1).stores({ drafts: 'key' })
  }
}

export const { drafts } = new Drafts()
