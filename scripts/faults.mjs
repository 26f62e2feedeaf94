import ts from 'typescript'

/** What a sign is exchanged for. */
const SWAPS = {
  '+': '-',
  '-': '+',
  '*': '/',
  '/': '*',
  '<': '<=',
  '<=': '<',
  '>': '>=',
  '>=': '>',
  '===': '!==',
  '!==': '===',
  '&&': '||',
  '||': '&&',
}
const ROUNDINGS = { min: 'max', max: 'min', ceil: 'floor', floor: 'ceil' }

/**
 * Every small fault that can be put into a source, and the source with all of them in it, each
 * behind a switch: the fault with number `globalThis.fault` is in force, the others are not. Texts,
 * types and imports are left alone.
 * `first` is the number of the first fault. Faults inside a faulty expression stay behind the sound
 * one, so the text grows little.
 */
export function withFaults(file, source, first) {
  const tree = ts.createSourceFile(file, source, ts.ScriptTarget.ES2023, true)
  const faults = []
  const put = (node, what) => {
    faults.push({
      id: first + faults.length,
      file,
      line: tree.getLineAndCharacterOfPosition(node.getStart(tree)).line + 1,
      what,
    })
    return `globalThis.fault === ${first + faults.length - 1}`
  }
  const plain = (node) => node.getText(tree)
  const isText = (node) => ts.isStringLiteralLike(node) || ts.isTemplateExpression(node)

  /** The text of a node with the faults of what is inside it. */
  function inside(node) {
    let text = ''
    let at = node.getStart(tree)
    ts.forEachChild(node, (child) => {
      const from = child.getStart(tree)
      if (from < at) return
      text += source.slice(at, from) + faulty(child)
      at = child.getEnd()
    })
    return text + source.slice(at, node.getEnd())
  }
  function faulty(node) {
    if (
      ts.isImportDeclaration(node) ||
      ts.isExportDeclaration(node) ||
      ts.isTypeNode(node) ||
      ts.isInterfaceDeclaration(node)
    )
      return plain(node)
    if (ts.isTypeAliasDeclaration(node) || ts.isTypeParameterDeclaration(node)) return plain(node)
    if (
      ts.isNumericLiteral(node) &&
      !ts.isPropertyAssignment(node.parent) &&
      !ts.isPropertyName(node.parent)
    ) {
      const value = Number(node.text)
      // Hairs that keep rounding errors from tipping are no arithmetic.
      if (value !== 0 && Math.abs(value) <= 1e-5) return plain(node)
      return `(${put(node, `${plain(node)} otherwise`)} ? ${value === 0 ? 1 : value * 1.1 + 1} : ${plain(node)})`
    }
    if (ts.isBinaryExpression(node)) {
      const sign = plain(node.operatorToken)
      const other = SWAPS[sign]
      if (!other || (sign === '+' && (isText(node.left) || isText(node.right)))) return inside(node)
      const on = put(node.operatorToken, `${sign} as ${other}`)
      // Without brackets, && and || beside ?? are no expression.
      return `(${on} ? (${plain(node.left)}) ${other} (${plain(node.right)}) : ${inside(node)})`
    }
    if (ts.isConditionalExpression(node)) {
      const on = put(node.condition, 'the other branch')
      return `((${on} ? !(${plain(node.condition)}) : ${faulty(node.condition)}) ? ${faulty(node.whenTrue)} : ${faulty(node.whenFalse)})`
    }
    if (
      ts.isPropertyAccessExpression(node) &&
      plain(node.expression) === 'Math' &&
      ROUNDINGS[node.name.text]
    )
      return `(${put(node, `${node.name.text} as ${ROUNDINGS[node.name.text]}`)} ? Math.${ROUNDINGS[node.name.text]} : ${plain(node)})`
    if (ts.isIfStatement(node)) {
      const on = put(node.expression, 'if not')
      const rest = node.elseStatement ? ` else ${faulty(node.elseStatement)}` : ''
      return `if (${on} ? !(${plain(node.expression)}) : ${faulty(node.expression)}) ${faulty(node.thenStatement)}\n${rest}`
    }
    // A statement that now begins with a bracket would else be read on from the line before it.
    if (ts.isExpressionStatement(node) && (ts.isBlock(node.parent) || ts.isSourceFile(node.parent)))
      return `;${inside(node)}`
    return inside(node)
  }
  return { faults, text: inside(tree) }
}
