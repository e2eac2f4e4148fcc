import { appendFileSync, existsSync, readFileSync, writeFileSync } from 'node:fs'

/** Long runs that can be broken off: what was lived is kept in a file of the working folder and not lived again. */
export function keptLives<Life>(file: string) {
  if (!existsSync(file)) writeFileSync(file, '')
  const known = new Map<string, Life>()
  for (const line of readFileSync(file, 'utf8').split('\n').filter(Boolean)) {
    const life = JSON.parse(line) as Life & { key: string }
    known.set(life.key, life)
  }
  return {
    /** Lives it, unless it was. */
    live(key: string, make: () => Life): void {
      if (known.has(key)) return
      const life = make()
      known.set(key, life)
      appendFileSync(file, `${JSON.stringify({ key, ...life })}\n`)
    },
    all: (): Life[] => [...known.values()],
  }
}

/** Prints rows of a table, the first its head. */
export function printTable(rows: readonly (readonly string[])[]): void {
  const [head = [], ...rest] = rows
  for (const row of [head, head.map(() => '---'), ...rest]) console.log(`| ${row.join(' | ')} |`)
}
