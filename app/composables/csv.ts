import Papa from 'papaparse'
import { InvalidInput, type Line, type Table } from '@lactofer/core'

/** A table as CSV text. Cells that a spreadsheet would take for a formula are disarmed. */
export const csvOf = (table: Table): string => Papa.unparse(table, { escapeFormulae: true, newline: '\n' })

/**
 * Lines of a CSV text by their header; a comma, a semicolon or a tab between cells.
 * @throws InvalidInput when it is not a table.
 */
export function linesOf(text: string): Line[] {
  const { data, errors } = Papa.parse<Line>(text.trim(), {
    header: true,
    skipEmptyLines: 'greedy',
    transformHeader: (head) => head.trim().toLowerCase(),
  })
  const broken = errors.find((error) => error.code !== 'UndetectableDelimiter' && error.code !== 'TooFewFields')
  if (broken)
    throw new InvalidInput(
      `Line ${(broken.row ?? 0) + 2} of the file cannot be read: ${broken.message}. Nothing was changed.`,
    )
  return data
}

/** Cells of a CSV text, line by line. @throws InvalidInput when it is no text. */
export function cellsOf(text: string): string[][] {
  if (text.includes('\0')) throw new InvalidInput('This is not a text file. Export the logger’s data as CSV.')
  return Papa.parse<string[]>(text.trim(), { skipEmptyLines: 'greedy' }).data
}
