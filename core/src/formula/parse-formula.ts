import { FormulaError } from './formula-error';
import { FORMULA_FUNCTIONS, functionOfOne, functionOverARow } from './functions';
import { type Token, tokenize } from './tokens';

/** A formula as a tree. */
export type FormulaTree =
  | { readonly type: 'number'; readonly value: number }
  | { readonly type: 'variable'; readonly name: string }
  | { readonly type: 'negative'; readonly of: FormulaTree }
  | { readonly type: 'binary'; readonly operator: '+' | '-' | '*' | '/' | '^'; readonly left: FormulaTree; readonly right: FormulaTree }
  | { readonly type: 'call'; readonly name: string; readonly arguments: readonly FormulaTree[] };

/** Brackets inside brackets beyond this depth are refused: nobody reads them, and the stack is finite. */
const DEEPEST = 60;
const LONGEST = 2000;
const STRENGTH: Readonly<Record<string, number>> = { '+': 1, '-': 1, '*': 2, '/': 2, '^': 4 };
/** A sign binds less than a power, as in mathematics: −2^2 is −4. */
const SIGN_STRENGTH = 3;

/**
 * Reads a formula in ordinary mathematics: + − * / ^, brackets, numbers, names of variables (with spaces or marks in
 * square brackets) and the functions of FORMULA_FUNCTIONS.
 * @throws {FormulaError} with a sentence and the character at which reading stopped.
 *
 * @example
 * formulaVariables(parseFormula('(x + y) / 2')); // ['x', 'y']
 */
export function parseFormula(text: string): FormulaTree {
  if (text.length > LONGEST)
    throw new FormulaError(`A formula may have up to ${LONGEST} characters; this one has ${text.length}.`, LONGEST);
  return new Parser(tokenize(text)).whole();
}

class Parser {
  #at = 0;
  #depth = 0;

  constructor(private readonly tokens: readonly Token[]) {}

  whole(): FormulaTree {
    const first = this.#token;
    if (first.type === 'end') throw new FormulaError('The formula is empty.', 1);
    const tree = this.#expression(0);
    const rest = this.#token;
    if (rest.type !== 'end') throw unexpected(rest, 'an operator such as + or /');
    return tree;
  }

  get #token(): Token {
    // The last token is the end, and nothing reads past it.
    return this.tokens[Math.min(this.#at, this.tokens.length - 1)] as Token;
  }

  #take(): Token {
    const token = this.#token;
    this.#at++;
    return token;
  }

  #expression(weakest: number): FormulaTree {
    this.#depth++;
    if (this.#depth > DEEPEST)
      throw new FormulaError(`The formula is nested more than ${DEEPEST} deep; write it in parts.`, this.#token.start + 1);
    let left = this.#operand();
    for (;;) {
      const operator = this.#token.type === 'mark' ? this.#token.text : '';
      const strength = STRENGTH[operator];
      if (strength === undefined || strength <= weakest) break;
      this.#take();
      // Powers are taken from the right: 2^3^2 is 2^9.
      const right = this.#expression(operator === '^' ? strength - 1 : strength);
      left = { type: 'binary', operator: operator as '+', left, right };
    }
    this.#depth--;
    return left;
  }

  #operand(): FormulaTree {
    const token = this.#take();
    if (token.type === 'number') return { type: 'number', value: Number(token.text) };
    if (token.type === 'name') return this.#opens() ? this.#call(token) : { type: 'variable', name: token.text };
    if (token.text === '-') return { type: 'negative', of: this.#expression(SIGN_STRENGTH) };
    if (token.text === '+') return this.#expression(SIGN_STRENGTH);
    if (token.text !== '(') throw unexpected(token, 'a number, a variable or a bracket');
    const inside = this.#expression(0);
    this.#close(token);
    return inside;
  }

  #opens(): boolean {
    return this.#token.type === 'mark' && this.#token.text === '(';
  }

  #call(name: Token): FormulaTree {
    const known = functionOfOne(name.text) ?? functionOverARow(name.text);
    if (!known) {
      throw new FormulaError(`There is no function called “${name.text}”; there are ${FORMULA_FUNCTIONS.join(', ')}.`, name.start + 1);
    }
    const bracket = this.#take();
    const values = [this.#expression(0)];
    while (this.#token.text === ',') {
      this.#take();
      values.push(this.#expression(0));
    }
    this.#close(bracket);
    if (functionOfOne(name.text) && values.length > 1) {
      throw new FormulaError(`${name.text} takes one value; ${values.length} stand in its brackets.`, name.start + 1);
    }
    return { type: 'call', name: name.text, arguments: values };
  }

  #close(opened: Token): void {
    if (this.#token.type === 'end') throw new FormulaError(`The bracket at character ${opened.start + 1} never closes.`, opened.start + 1);
    const token = this.#take();
    if (token.text !== ')') throw unexpected(token, 'a closing bracket or an operator');
  }
}

function unexpected(token: Token, wanted: string): FormulaError {
  const found = token.type === 'end' ? 'it ends' : `“${token.text}” stands there`;
  return new FormulaError(`At character ${token.start + 1} the formula needs ${wanted}, but ${found}.`, token.start + 1);
}
