import { execFile } from "node:child_process";
import { mkdirSync, mkdtempSync, rmSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { root } from "./prepare.mjs";

/** One fault of React's a component. */
const FAULTS = {
  "react/purity": "export const A = () => <b>{Math.random()}</b>;",
  "react/globals": "let outside = 0;\nexport const A = () => {\n  outside = 4;\n  return <b>{outside}</b>;\n};",
  "react/refs":
    'import { useRef } from "react";\nexport const A = () => {\n  const ref = useRef(0);\n  return <b>{ref.current}</b>;\n};',
  "react/static-components":
    "export const A = ({ x }) => {\n  const Inner = () => <b>{x}</b>;\n  return <Inner />;\n};",
  "react/set-state-in-render":
    'import { useState } from "react";\nexport const A = () => {\n  const [x, setX] = useState(0);\n  setX(x + 1);\n  return <b>{x}</b>;\n};',
  "react/set-state-in-effect":
    'import { useEffect, useState } from "react";\nexport const A = ({ a }) => {\n  const [x, setX] = useState(0);\n  useEffect(() => {\n    setX(a);\n  }, [a]);\n  return <b>{x}</b>;\n};',
  "react/void-use-memo":
    'import { useMemo } from "react";\nexport const A = ({ a }) => {\n  useMemo(() => {\n    a();\n  }, [a]);\n  return <b />;\n};',
  "react/error-boundaries":
    "export const A = ({ B }) => {\n  try {\n    return <B />;\n  } catch {\n    return null;\n  }\n};",
  "react-hooks/rules-of-hooks":
    'import { useState } from "react";\nexport const A = ({ a }) => {\n  if (a) useState(0);\n  return <b />;\n};',
  "react-hooks/exhaustive-deps":
    'import { useMemo } from "react";\nexport const A = ({ a }) => {\n  const twice = useMemo(() => a.b * 2, []);\n  return <b>{twice}</b>;\n};',
};
const fileOf = (rule) => `web/src/${rule.replace("/", "-")}.tsx`;

/** What the project's own configuration says of a page with each of them. */
function said(folder) {
  const args = [join(root, "node_modules/oxlint/bin/oxlint"), "-c", ".oxlintrc.json", "--format", "json"];
  return new Promise((resolve, reject) => {
    execFile(process.execPath, args, { cwd: folder }, (_failed, out) => {
      try {
        resolve(JSON.parse(out).diagnostics);
      } catch {
        reject(new Error(out));
      }
    });
  });
}

describe("React's rules", () => {
  const folder = mkdtempSync(join(tmpdir(), "sprunel-lint-"));
  let found;
  beforeAll(async () => {
    mkdirSync(join(folder, "web/src"), { recursive: true });
    const { default: rules } = await import("../.oxlintrc.json", { with: { type: "json" } });
    // What needs types needs the whole project around it.
    const config = { ...rules, $schema: undefined, options: { ...rules.options, typeAware: false } };
    writeFileSync(join(folder, ".oxlintrc.json"), JSON.stringify(config));
    for (const [rule, text] of Object.entries(FAULTS)) writeFileSync(join(folder, fileOf(rule)), `${text}\n`);
    found = await said(folder);
  });
  afterAll(() => rmSync(folder, { recursive: true, force: true }));

  it.each(Object.keys(FAULTS))("refuse a fault of %s in a page", (rule) => {
    const codes = found.filter(({ filename }) => filename === fileOf(rule)).map(({ code }) => code);
    expect(codes).toContain(rule.replace(/\/(.*)/, "($1)"));
  });
});
