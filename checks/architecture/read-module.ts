import { type Module, parseSync } from "@swc/core";

/** What a source file asks for: modules by the name they are asked by, and globals that nothing in it declares. */
export type ModuleFacts = { readonly imports: readonly string[]; readonly globals: readonly string[] };

type Node = { readonly type: string; readonly [field: string]: unknown };
const isNode = (value: unknown): value is Node =>
  typeof value === "object" && value !== null && typeof (value as Node).type === "string";

/** A string, or a template without anything filled in. */
function literal(value: unknown): string | null {
  if (!isNode(value)) return null;
  if (value.type === "StringLiteral") return value.value as string;
  if (value.type !== "TemplateLiteral" || (value.expressions as unknown[]).length > 0) return null;
  return (value.quasis as { cooked: string }[])[0]?.cooked ?? null;
}

const argument = (call: Node, at: number): unknown =>
  (call.arguments as { expression: unknown }[] | undefined)?.[at]?.expression;
const isNamed = (value: unknown, name: string): boolean =>
  isNode(value) && value.type === "Identifier" && value.value === name;

/** Fields that hold the name of a property or a label, not a variable. */
const NAMES_NO_VARIABLE: Readonly<Record<string, readonly string[]>> = {
  KeyValueProperty: ["key"],
  MethodProperty: ["key"],
  GetterProperty: ["key"],
  SetterProperty: ["key"],
  ClassProperty: ["key"],
  ClassMethod: ["key"],
  AssignmentPatternProperty: [],
  KeyValuePatternProperty: ["key"],
  LabeledStatement: ["label"],
};

/** What a file imports (types, `require`, templates and worker addresses too) and which variables it uses. */
export function readModule(text: string, isTsx: boolean): ModuleFacts {
  const module: Module = parseSync(text, { syntax: "typescript", tsx: isTsx, target: "es2022" });
  const imports: string[] = [];
  const used = new Set<string>();
  const declared = new Set<string>();
  const walk = (value: unknown, isBinding: boolean): void => {
    if (Array.isArray(value)) {
      for (const one of value) walk(one, isBinding);
      return;
    }
    if (typeof value !== "object" || value === null) return;
    if (!isNode(value)) {
      for (const one of Object.values(value)) walk(one, isBinding);
      return;
    }
    const { type } = value;
    if (type === "Identifier") {
      (isBinding ? declared : used).add(value.value as string);
      return;
    }
    if (/^(?:Import|ExportAll|ExportNamed)\w*Declaration$/u.test(type) && isNode(value.source)) {
      imports.push(literal(value.source)!);
      for (const one of (value.specifiers as Node[] | undefined) ?? [])
        if (type === "ImportDeclaration") declared.add((one.local as Node).value as string);
      return;
    }
    if (type === "TsImportType") imports.push(literal(value.argument) ?? "");
    if (type === "TsExternalModuleReference") imports.push(literal(value.expression) ?? "");
    if (type === "CallExpression") {
      const isImport = isNode(value.callee) && value.callee.type === "Import";
      if (isImport || isNamed(value.callee, "require")) {
        const name = literal(argument(value, 0));
        if (name !== null) imports.push(name);
      }
    }
    if (type === "NewExpression" && isNamed(value.callee, "URL") && isNode(argument(value, 1))) {
      const name = literal(argument(value, 0));
      if (name !== null) imports.push(name);
    }
    if (type === "MetaProperty") used.add("import.meta");
    if (type === "MemberExpression") {
      walk(value.object, false);
      const property = value.property as Node;
      if (property.type === "Computed") walk(property, false);
      else if (isNamed(value.object, "Math")) used.add(`Math.${String(property.value)}`);
      return;
    }
    const skipped = NAMES_NO_VARIABLE[type] ?? [];
    for (const [field, inner] of Object.entries(value)) {
      if (field === "span" || field === "ctxt") continue;
      if (skipped.includes(field) && isNode(inner) && inner.type === "Identifier") continue;
      const binds =
        (type === "VariableDeclarator" && field === "id") ||
        (field === "params" && !/^Ts/u.test(type)) ||
        field === "identifier" ||
        (type === "CatchClause" && field === "param");
      if (/^Ts/u.test(type) && type !== "TsAsExpression" && !isExpression(type)) {
        if (isNode(inner) && inner.type === "Identifier") continue;
        walk(inner, false);
      } else walk(inner, binds || (isBinding && isPattern(type)));
    }
  };
  walk(module.body, false);
  return { imports, globals: [...used].filter((name) => !declared.has(name)) };
}

/** Type syntax that still holds an expression. */
const isExpression = (type: string): boolean =>
  [
    "TsSatisfiesExpression",
    "TsNonNullExpression",
    "TsConstAssertion",
    "TsEnumDeclaration",
    "TsEnumMember",
  ].includes(type);

/** Patterns that hand the names inside them on as bindings. */
const isPattern = (type: string): boolean =>
  [
    "ObjectPattern",
    "ArrayPattern",
    "RestElement",
    "AssignmentPatternProperty",
    "KeyValuePatternProperty",
  ].includes(type) || type === "Parameter";
