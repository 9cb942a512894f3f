// Types for the linter: one program for each of the compiler's projects, made when its first file is read.
// Two things make it quick. What one program has read, the next need not read again. And one program holds the scripts
// of all pages: by itself the linter would make a new one of all rooms for each .vue file, since what it is handed of
// such a file is never what is on the disk.
import { readFileSync } from 'node:fs'
import { dirname } from 'node:path'
import compiler from 'typescript'
import ts from 'typescript-eslint'
import vueParser from 'vue-eslint-parser'

/** Set while a whole script is parsed: what stands in a template is parsed without it. */
const marked = { project: true, sourceType: 'module' }

/** The script of a page just as the parser of pages hands it on. */
function scriptOf(filePath) {
  let script = ''
  const recorder = {
    parseForESLint(code, options) {
      if (options.project) script = code
      return ts.parser.parseForESLint(code, { ...options, project: undefined })
    },
  }
  vueParser.parseForESLint(readFileSync(filePath, 'utf8'), {
    ...marked,
    parser: recorder,
    filePath,
    range: true,
    loc: true,
  })
  return script
}

function projectOf(configFile, sources) {
  const { config } = compiler.readConfigFile(configFile, compiler.sys.readFile)
  const pages = [{ extension: '.vue', isMixedContent: true, scriptKind: compiler.ScriptKind.Deferred }]
  const { fileNames, options } = compiler.parseJsonConfigFileContent(
    config,
    compiler.sys,
    dirname(configFile),
    undefined,
    undefined,
    undefined,
    pages,
  )
  const settings = { ...options, allowNonTsExtensions: true }
  const host = compiler.createCompilerHost(settings, true)
  const { readFile, getSourceFile } = host
  host.readFile = (path) => (path.endsWith('.vue') ? scriptOf(path) : readFile(path))
  host.getSourceFile = (path, ...how) => {
    if (!sources.has(path)) sources.set(path, getSourceFile(path, ...how))
    return sources.get(path)
  }
  const names = new Set(fileNames)
  let program
  return {
    has: (filePath) => names.has(filePath),
    program: () => (program ??= compiler.createProgram({ rootNames: fileNames, options: settings, host })),
  }
}

/** @param configFiles the compiler's projects; a file belongs to the first that names it */
export function typedParser(configFiles) {
  const sources = new Map()
  let projects
  return {
    ...ts.parser,
    parseForESLint(code, { project, ...options }) {
      projects ??= configFiles.map((configFile) => projectOf(configFile, sources))
      const program = project && projects.find(({ has }) => has(options.filePath))?.program()
      // A file that is being mended is another one than the program has read.
      const isAsRead = program?.getSourceFile(options.filePath)?.text === code
      return ts.parser.parseForESLint(code, isAsRead ? { ...options, programs: [program] } : options)
    },
  }
}

/** What the linter's settings must say for files that are read with types. */
export const withTypes = { project: true }
