import Dexie, { type Table } from 'dexie'

/** Why the store of this browser cannot be used, as a code; the frame says it in words. */
export type StorageProblem = 'missing' | 'denied' | 'full' | 'newer' | 'aside' | 'part' | 'unreadable'

const BY_NAME: Readonly<Record<string, StorageProblem>> = {
  MissingAPIError: 'missing',
  MissingAPI: 'missing',
  SecurityError: 'denied',
  InvalidStateError: 'denied',
  NotAllowedError: 'denied',
  QuotaExceededError: 'full',
  VersionError: 'newer',
  DatabaseClosedError: 'aside',
  PartMissingError: 'part',
}

/** Tells from an error why the store cannot be used; the innermost cause that is known counts. */
export function problemOf(error: unknown): StorageProblem {
  for (let cause = error, depth = 0; cause instanceof Object && depth < 5; depth++) {
    const { name, inner } = cause as { name?: string; inner?: unknown }
    const known = name === undefined ? undefined : BY_NAME[name]
    // "Closed" and "failed to open" say nothing of why where something stands behind them.
    if (known && (known !== 'aside' || !inner)) return known
    cause = inner
  }
  return 'unreadable'
}

/** What happened to a database while it was opened. */
interface Watched {
  /** The browser gave up what it held and began anew: it says so here and nowhere else. */
  onLoss: (database: string) => void
}

/** The browser's databases, with an eye on what it says when one is opened. */
function watchedFactory({ onLoss }: Watched): IDBFactory | undefined {
  // Where storage is denied, even asking may throw.
  let factory: IDBFactory | undefined
  try {
    factory = globalThis.indexedDB
  } catch {
    return undefined
  }
  const browser = factory as IDBFactory | undefined
  if (!browser) return undefined
  return {
    open(name, version) {
      const request = version === undefined ? browser.open(name) : browser.open(name, version)
      request.addEventListener('upgradeneeded', (event) => {
        if ((event as IDBVersionChangeEvent & { dataLoss?: string }).dataLoss === 'total') onLoss(name)
      })
      return request
    },
    deleteDatabase: (name) => browser.deleteDatabase(name),
    databases: () => browser.databases(),
    cmp: (a, b) => browser.cmp(a, b),
  }
}

/** Databases that the browser reported as lost when they were opened. */
export const lost = new Set<string>()
const heard = new Set<(database: string) => void>()
/** Tells when a database is found lost, those found already too. */
export function onLoss(tell: (database: string) => void): void {
  heard.add(tell)
  lost.forEach(tell)
}

/** What a database of ours is opened with. */
export function watched(): { indexedDB?: IDBFactory; IDBKeyRange?: typeof IDBKeyRange } {
  const indexedDB = watchedFactory({
    onLoss(database) {
      lost.add(database)
      heard.forEach((tell) => tell(database))
    },
  })
  return indexedDB ? { indexedDB, IDBKeyRange: globalThis.IDBKeyRange } : {}
}

/** The one table of a small database of its own, keyed by a text. */
export function tableAlone<Row>(database: string, table: string, key: keyof Row & string): Table<Row, string> {
  const alone = new Dexie(database, watched())
  alone.version(1).stores({ [table]: key })
  return alone.table(table)
}
