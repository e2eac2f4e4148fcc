/**
 * The parser typed lint rules read the scripts of components with. The usual way hands TypeScript one component after
 * the other, and each makes it forget every type it had worked out; here all scripts are known from the start, to one
 * program. What differs from the file on disk (an editor's buffer, a fix) goes the usual way.
 */
import { readFileSync } from 'node:fs'
import { resolve } from 'node:path'
import * as tsParser from '@typescript-eslint/parser'
import ts from 'typescript'

/** What stands between the tags of a component's script. */
const scriptOf = (component) => /<script[^>]*>([\s\S]*?)<\/script>/.exec(component)?.[1] ?? ''

let program
function components() {
  if (program) return program
  const path = resolve('.nuxt/tsconfig.app.json')
  const { config } = ts.readConfigFile(path, ts.sys.readFile)
  const vue = [{ extension: '.vue', isMixedContent: true, scriptKind: ts.ScriptKind.Deferred }]
  const { fileNames, options } = ts.parseJsonConfigFileContent(
    config,
    ts.sys,
    resolve('.nuxt'),
    { allowNonTsExtensions: true, noEmit: true },
    path,
    undefined,
    vue,
  )
  const host = ts.createCompilerHost(options, true)
  const getSourceFile = host.getSourceFile.bind(host)
  host.getSourceFile = (file, version, ...rest) =>
    file.endsWith('.vue')
      ? ts.createSourceFile(file, scriptOf(readFileSync(file, 'utf8')), version, true, ts.ScriptKind.TS)
      : getSourceFile(file, version, ...rest)
  program = ts.createProgram(fileNames, options, host)
  return program
}

/** Same as the TypeScript parser's own; pieces of a template have no types and go straight through. */
export function parseForESLint(code, options) {
  const known = options.projectService && components().getSourceFile(options.filePath)?.text === code
  return tsParser.parseForESLint(
    code,
    known ? { ...options, projectService: undefined, programs: [components()] } : options,
  )
}
export const { meta, version } = tsParser
