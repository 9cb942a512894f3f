// Puts every mutant of a source file into it at once, each behind a switch: one bundle serves all of them.
import ts from 'typescript'

const swaps = new Map([
  ['<', ['<=', '>=']],
  ['<=', ['<', '>']],
  ['>', ['>=', '<=']],
  ['>=', ['>', '<']],
  ['===', ['!==']],
  ['!==', ['===']],
  ['&&', ['||']],
  ['||', ['&&']],
  ['??', ['&&']],
  ['+', ['-']],
  ['-', ['+']],
  ['*', ['/']],
  ['/', ['*']],
  ['%', ['*']],
])
const calls = new Map([
  ['Math.min', 'Math.max'],
  ['Math.max', 'Math.min'],
  ['Math.floor', 'Math.ceil'],
  ['Math.ceil', 'Math.floor'],
  ['Math.round', 'Math.floor'],
])

/** Other ways to write an expression, each of them wrong. */
function alternatives(node, text) {
  if (ts.isBinaryExpression(node)) {
    const sign = node.operatorToken.getText()
    const [left, right] = [text(node.left), text(node.right)]
    // A sum with a text in it has no difference.
    const isText = [node.left, node.right].some((side) => ts.isStringLiteralLike(side) || ts.isTemplateExpression(side))
    if (isText && sign === '+') return []
    return (swaps.get(sign) ?? []).map((other) =>
      sign === '??' ? `(${left}) && (${right})` : `(${left}) ${other} (${right})`,
    )
  }
  if (ts.isNumericLiteral(node)) return [`(${node.getText()} + 1)`]
  if (node.kind === ts.SyntaxKind.TrueKeyword) return ['false']
  if (node.kind === ts.SyntaxKind.FalseKeyword) return ['true']
  if (ts.isPrefixUnaryExpression(node) && node.operator === ts.SyntaxKind.ExclamationToken) return [text(node.operand)]
  if (ts.isPrefixUnaryExpression(node) && node.operator === ts.SyntaxKind.MinusToken) return [text(node.operand)]
  if (ts.isConditionalExpression(node)) return [text(node.whenTrue), text(node.whenFalse)]
  if (ts.isCallExpression(node) && calls.has(node.expression.getText()))
    return [`${calls.get(node.expression.getText())}(${node.arguments.map(text).join(', ')})`]
  return []
}

/** Whether a node is an expression of its own: no name, a left side or a constant of the module. */
function isReplaceable(node) {
  const { parent } = node
  if (ts.isPropertyAssignment(parent) && parent.name === node) return false
  return !ts.isPropertySignature(parent)
}

/** Only what runs when it is called can be switched: constants of the module are made once. */
function isInsideFunction(node) {
  for (let up = node.parent; up; up = up.parent) if (ts.isFunctionLike(up)) return true
  return false
}

/**
 * @param source text of a TypeScript file
 * @param firstId number of its first mutant
 * @returns the text with its mutants in it, and what each of them is
 */
export function withMutants(file, source, firstId) {
  const tree = ts.createSourceFile(file, source, ts.ScriptTarget.Latest, true)
  const mutants = []
  const raw = (node) => node.getText()
  function print(node) {
    // What is told of types is gone when the code runs.
    if (ts.isTypeNode(node)) return raw(node)
    let out = ''
    let at = node.getStart()
    ts.forEachChild(node, (child) => {
      if (child.getStart() < at) return
      out += source.slice(at, child.getStart()) + print(child)
      at = child.getEnd()
    })
    out += source.slice(at, node.getEnd())
    if (!isInsideFunction(node) || !isReplaceable(node)) return out
    const ways = alternatives(node, raw)
    if (ways.length === 0) return out
    const { line } = tree.getLineAndCharacterOfPosition(node.getStart())
    const switches = ways.map((way) => {
      const id = firstId + mutants.length
      mutants.push({ id, file, line: line + 1, from: raw(node).replace(/\s+/g, ' '), to: way.replace(/\s+/g, ' ') })
      return `__mutant(${id}) ? (${way}) : `
    })
    return `(${switches.join('')}(${out}))`
  }
  return { text: source.slice(0, tree.getStart()) + print(tree), mutants }
}
