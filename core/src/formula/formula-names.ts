import { constantNamed } from './functions';
import type { FormulaTree } from './parse-formula';
import { tokenize } from './tokens';

const PLAIN_NAME = /^[\p{L}_][\p{L}\p{N}_]*$/u;

/**
 * Names of the variables in a formula, each once, in order of appearance; constants such as pi are among them.
 *
 * @example
 * formulaVariables(parseFormula('ln(nitrate) + phosphate')); // ['nitrate', 'phosphate']
 */
export function formulaVariables(tree: FormulaTree): string[] {
  const names = new Set<string>();
  const visit = (node: FormulaTree): void => {
    if (node.type === 'variable') names.add(node.name);
    else if (node.type === 'negative') visit(node.of);
    else if (node.type === 'call') node.arguments.forEach(visit);
    else if (node.type === 'binary') {
      visit(node.left);
      visit(node.right);
    }
  };
  visit(tree);
  return [...names];
}

/**
 * A formula with its variables called otherwise, its other text untouched. A name that `rename` does not know (null)
 * stays; a new name that needs them is put in square brackets.
 * @throws {FormulaError} text that is no formula.
 *
 * @example
 * renameInFormula('a + b', (name) => (name === 'a' ? 'c' : null)); // 'c + b'
 */
export function renameInFormula(text: string, rename: (name: string) => string | null): string {
  const tokens = tokenize(text);
  let result = '';
  let at = 0;
  tokens.forEach((token, i) => {
    const isCall = tokens[i + 1]?.text === '(' && text[token.start] !== '[';
    if (token.type !== 'name' || isCall) return;
    const renamed = rename(token.text);
    if (renamed === null) return;
    result += text.slice(at, token.start) + formulaName(renamed);
    at = token.end;
  });
  return result + text.slice(at);
}

/**
 * A variable's name as it is written in a formula.
 *
 * @example
 * formulaName('water temp'); // '[water temp]'
 */
export function formulaName(name: string): string {
  return PLAIN_NAME.test(name) && constantNamed(name) === undefined ? name : `[${name.replace(/[[\]]/g, ' ').trim()}]`;
}
