// Small changes that a test should notice: where in the code they can be made, and how.
import { readFileSync } from "node:fs";
import { join } from "node:path";
import ts from "typescript";
import { root } from "../prepare.mjs";

const K = ts.SyntaxKind;
/** An operator and what it may be mistaken for. */
const OPERATORS = new Map([
  [K.PlusToken, ["-"]],
  [K.MinusToken, ["+"]],
  [K.AsteriskToken, ["/"]],
  [K.SlashToken, ["*"]],
  [K.LessThanToken, ["<=", ">="]],
  [K.LessThanEqualsToken, ["<", ">"]],
  [K.GreaterThanToken, [">=", "<="]],
  [K.GreaterThanEqualsToken, [">", "<"]],
  [K.EqualsEqualsEqualsToken, ["!=="]],
  [K.ExclamationEqualsEqualsToken, ["==="]],
  [K.AmpersandAmpersandToken, ["||"]],
  [K.BarBarToken, ["&&"]],
  [K.PlusEqualsToken, ["-="]],
  [K.MinusEqualsToken, ["+="]],
]);
const ARITHMETIC = new Set([K.PlusToken, K.MinusToken, K.AsteriskToken, K.SlashToken]);
const COMPARISON = new Set([K.LessThanToken, K.LessThanEqualsToken, K.GreaterThanToken, K.GreaterThanEqualsToken]);
const isText = (node) => ts.isStringLiteralLike(node) || ts.isTemplateExpression(node);

/**
 * Every change that can be made in a file.
 *
 * @param code its text, where that is known
 * @returns `{ file, start, end, text, line, was }`: characters from start to end are replaced by the text
 */
export function mutantsOf(file, code = readFileSync(join(root, file), "utf8")) {
  const source = ts.createSourceFile(file, code, ts.ScriptTarget.ES2023, true);
  const found = [];
  const put = (node, text) => {
    const start = node.getStart(source);
    found.push({
      ...{ file, start, end: node.getEnd(), text },
      line: source.getLineAndCharacterOfPosition(start).line + 1,
      was: code.slice(start, node.getEnd()),
    });
  };
  const visit = (node) => {
    // Types say nothing at run time.
    if (ts.isTypeNode(node) || ts.isInterfaceDeclaration(node) || ts.isTypeAliasDeclaration(node)) return;
    if (ts.isBinaryExpression(node)) {
      const { kind } = node.operatorToken;
      if (!(kind === K.PlusToken && (isText(node.left) || isText(node.right))))
        for (const text of OPERATORS.get(kind) ?? []) put(node.operatorToken, text);
      if (ARITHMETIC.has(kind) || COMPARISON.has(kind))
        for (const side of [node.left, node.right])
          if (ts.isNumericLiteral(side)) put(side, side.text === "0" ? "1" : `(${side.getText(source)} * 2)`);
    }
    if (ts.isPrefixUnaryExpression(node) && node.operator === K.ExclamationToken)
      put(node, `!!${node.operand.getText(source)}`);
    if (ts.isPrefixUnaryExpression(node) && node.operator === K.MinusToken && !ts.isNumericLiteral(node.operand))
      put(node, node.operand.getText(source));
    if (ts.isPropertyAccessExpression(node) && node.expression.getText(source) === "Math")
      if (node.name.text === "min" || node.name.text === "max")
        put(node.name, node.name.text === "min" ? "max" : "min");
    if (ts.isConditionalExpression(node)) put(node.condition, `!(${node.condition.getText(source)})`);
    if (ts.isIfStatement(node)) put(node.expression, `!(${node.expression.getText(source)})`);
    if (node.kind === K.TrueKeyword) put(node, "false");
    if (node.kind === K.FalseKeyword) put(node, "true");
    ts.forEachChild(node, visit);
  };
  visit(source);
  return found;
}

/** Numbers from 0 to 1 that are the same for the same seed. */
export function random(seed) {
  let state = seed >>> 0;
  // Mulberry32, a small generator in the public domain.
  return () => {
    state = (state + 0x6d2b79f5) >>> 0;
    let t = Math.imul(state ^ (state >>> 15), state | 1);
    t ^= t + Math.imul(t ^ (t >>> 7), t | 61);
    return ((t ^ (t >>> 14)) >>> 0) / 2 ** 32;
  };
}

/** So many of a list, each as likely as any other. */
export function drawn(list, count, seed) {
  const next = random(seed);
  const rest = [...list];
  for (let at = rest.length - 1; at > 0; at--) {
    const other = Math.floor(next() * (at + 1));
    [rest[at], rest[other]] = [rest[other], rest[at]];
  }
  return rest.slice(0, count);
}
