import { readdirSync, readFileSync } from 'node:fs'
import { join } from 'node:path'
import ts from 'typescript'

/** A place in the sources that makes a sentence. */
export interface SaidAt {
  readonly file: string
  readonly line: number
  readonly code: string
  /** What fills its places: a kind of quantity where one is made there, a sentence, or plain text. */
  readonly params: Readonly<Record<string, string>>
}

/** Functions that make a sentence of a code and what fills its places. */
const makers = ['sentence', 'said', 'refuse', 'warn', 'tell']
const folders = ['core/src', 'contract/src', 'server/src', 'web/src']

function* sourcesIn(folder: string): Generator<string> {
  for (const entry of readdirSync(folder, { withFileTypes: true })) {
    const path = join(folder, entry.name)
    if (entry.isDirectory()) yield* sourcesIn(path)
    else if (/\.(ts|vue)$/.test(entry.name)) yield path
  }
}

/** The script of a component, or the whole of a module. */
function scriptOf(file: string): string {
  const text = readFileSync(file, 'utf8')
  if (!file.endsWith('.vue')) return text
  const template = [...text.matchAll(/sentence\('[^']*'(?:, \{[^}]*\})?\)/g)].map(([call]) => `;${call}`).join('\n')
  const script = /<script[^>]*>([\s\S]*?)<\/script>/.exec(text)?.[1] ?? ''
  return `${script}\n${template}`
}

/** The kind of what fills a place, as far as it stands there in the open. */
function kindOf(node: ts.Node): string {
  let kind = 'text'
  const look = (at: ts.Node): void => {
    if (ts.isCallExpression(at)) {
      const name = at.expression.getText()
      if (name.startsWith('quantity.')) kind = name.slice('quantity.'.length)
      else if (['sentence', 'sentences', 'series'].includes(name)) kind = 'sentence'
    }
    if (kind === 'text') ts.forEachChild(at, look)
  }
  look(node)
  return kind
}

/** Every literal that a code may come from: a text, or the two of a choice. */
function codesOf(node: ts.Expression): readonly string[] | undefined {
  if (ts.isStringLiteral(node)) return [node.text]
  if (!ts.isConditionalExpression(node)) return undefined
  const [yes, no] = [codesOf(node.whenTrue), codesOf(node.whenFalse)]
  return yes && no ? [...yes, ...no] : undefined
}

/**
 * Every sentence that the sources make.
 *
 * @param home folder of the project
 * @returns what is said, and places that hide their code or what fills it
 */
export function saidInSources(home: string): { readonly said: readonly SaidAt[]; readonly hidden: readonly string[] } {
  const said: SaidAt[] = []
  const hidden: string[] = []
  for (const folder of folders) {
    for (const file of sourcesIn(join(home, folder))) {
      if (/findings\/(sentence|finding)\.ts$|contract\/src\/said\.ts$/.test(file)) continue
      const script = scriptOf(file)
      const source = ts.createSourceFile(file, script, ts.ScriptTarget.Latest, true)
      // Another thing may go by the same name, such as the undo bar's own `tell`.
      const own = makers.filter((maker) =>
        new RegExp(`import [^;]*?\\b${maker}\\b[^;]*? from '[^']*(findings|said)'`).test(script),
      )
      const visit = (node: ts.Node): void => {
        ts.forEachChild(node, visit)
        if (!ts.isCallExpression(node) || !own.includes(node.expression.getText())) return
        const [first, second] = node.arguments
        const line = source.getLineAndCharacterOfPosition(node.getStart()).line + 1
        const place = `${file.slice(home.length + 1)}:${line}`
        const codes = first && codesOf(first)
        if (!codes) return void hidden.push(place)
        const params: Record<string, string> = {}
        if (second && ts.isObjectLiteralExpression(second)) {
          for (const property of second.properties) {
            if (ts.isPropertyAssignment(property)) params[property.name.getText()] = kindOf(property.initializer)
            else if (ts.isShorthandPropertyAssignment(property)) params[property.name.text] = 'text'
            else params['...'] = 'hidden'
          }
        } else if (second && second.getText() !== 'undefined') params['...'] = 'hidden'
        for (const code of codes) said.push({ file, line, code, params })
      }
      visit(source)
    }
  }
  return { said, hidden }
}
