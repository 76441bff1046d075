// Small changes that a test should notice: where in the code they can be made, and how.
import { createHash } from "node:crypto";
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
 * @returns `{ file, start, end, text, line, place, was }`: characters from start to end are replaced by the text
 */
export function mutantsOf(file, code = readFileSync(join(root, file), "utf8")) {
  const source = ts.createSourceFile(file, code, ts.ScriptTarget.ES2023, true);
  const found = [];
  const put = (node, text) => {
    const start = node.getStart(source);
    const { line } = source.getLineAndCharacterOfPosition(start);
    const [from, to] = [line, line + 1].map((at) => source.getLineStarts()[at] ?? code.length);
    const whole = code.slice(from, to);
    found.push({
      ...{ file, start, end: node.getEnd(), text, line: line + 1 },
      // Its line, and where in it: the same wherever the line comes to stand.
      place: `${whole.trim()} ${start - from - (whole.length - whole.trimStart().length)}`,
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

/**
 * So many of a list, each as likely as any other. Which they are follows from what stands in their lines: code elsewhere may
 * change and the others stay drawn.
 */
export function drawn(mutants, count, seed) {
  const times = new Map();
  return mutants
    .map((mutant) => {
      const { file, place, text } = mutant;
      const key = JSON.stringify([seed, file, place, text]);
      const before = times.get(key) ?? 0;
      times.set(key, before + 1);
      return { mutant, hash: createHash("sha256").update(`${key} ${before}`).digest("hex") };
    })
    .sort((a, b) => (a.hash < b.hash ? -1 : 1))
    .slice(0, count)
    .map(({ mutant }) => mutant);
}
