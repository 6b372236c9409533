// Formulas in the library's data (quantities of kits, scale of hours, pieces): arithmetic over named quantities.

import jsep from "jsep";

type Node = jsep.Expression & Record<string, unknown>;

const FUNCTIONS: Record<string, (...n: number[]) => number> = {
  ceil: Math.ceil,
  floor: Math.floor,
  round: Math.round,
  max: Math.max,
  min: Math.min,
};

const BINARY: Record<string, (a: number, b: number) => number> = {
  "+": (a, b) => a + b,
  "-": (a, b) => a - b,
  "*": (a, b) => a * b,
  "/": (a, b) => a / b,
};

/** What is wrong with a formula, in words; undefined when nothing is. `names` are the quantities it may use. */
export function faultOf(formula: string, names: readonly string[]): string | undefined {
  try {
    evaluate(formula, Object.fromEntries(names.map((n) => [n, 1])));
    return undefined;
  } catch (e) {
    return (e as Error).message;
  }
}

/** Formulas as they were read: the same few hundred of the library over and over. */
const trees = new Map<string, Node>();
const MOST_TREES = 2000;

function treeOf(formula: string): Node {
  const known = trees.get(formula);
  if (known) return known;
  try {
    const tree = jsep(formula) as Node;
    if (trees.size >= MOST_TREES) trees.clear();
    trees.set(formula, tree);
    return tree;
  } catch (e) {
    throw new Error(`can't be read: ${(e as Error).message}`);
  }
}

/** The value of a formula. Throws an Error in plain words when it can't be worked out. */
export function evaluate(formula: string | number, quantities: Readonly<Record<string, number>>): number {
  if (typeof formula === "number") return formula;
  const value = walk(treeOf(formula), quantities);
  if (!Number.isFinite(value)) throw new Error("has no value (a division by nothing?)");
  return value;
}

function walk(n: Node, q: Readonly<Record<string, number>>): number {
  switch (n.type) {
    case "Literal":
      if (typeof n.value === "number") return n.value;
      throw new Error(`${String(n.raw)} is no number`);
    case "Identifier":
      if (!Object.hasOwn(q, n.name as string)) throw new Error(`${n.name} is no quantity we know`);
      return q[n.name as string];
    case "UnaryExpression":
      if (n.operator === "-") return -walk(n.argument as Node, q);
      break;
    case "BinaryExpression": {
      const op = BINARY[n.operator as string];
      if (op) return op(walk(n.left as Node, q), walk(n.right as Node, q));
      break;
    }
    case "CallExpression": {
      const name = (n.callee as Node).name as string;
      const f = Object.hasOwn(FUNCTIONS, name) ? FUNCTIONS[name] : undefined;
      if (f && (n.arguments as Node[]).length) return f(...(n.arguments as Node[]).map((a) => walk(a, q)));
      break;
    }
  }
  throw new Error("only + - * / ( ), numbers, quantities and ceil, floor, round, max, min may stand in it");
}
