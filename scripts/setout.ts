// ./wide-lane setout NAME input.json [--svg FILE] [--dxf FILE]: one calculator, results on standard output.

import { writeFileSync } from "node:fs";
import { asResult, CALCULATORS, findCalculator } from "../core/setout/calculators";
import { toDxf } from "../core/setout/drawing/dxf";
import { toSvg } from "../core/setout/drawing/svg";
import { readArgs } from "./args";
import { readFile } from "./files";
import { Stop } from "./stop";

const USAGE = `./wide-lane setout NAME input.json [--svg drawing.svg] [--dxf drawing.dxf]\nNAME: ${CALCULATORS.map((c) => c.name).join(", ")}`;

export default async function setout(args: string[]): Promise<number> {
  const { plain, options } = readArgs(args, ["svg", "dxf"], [], USAGE);
  const [name, file, ...more] = plain;
  const calculator = name === undefined ? undefined : findCalculator(name);
  if (!calculator || !file || more.length)
    throw new Stop(`${name && !calculator ? `there is no calculator ${name}\n` : ""}Usage: ${USAGE}`, 2);
  const result = readFile(file, calculator.run);
  for (const [option, write] of [
    ["svg", toSvg],
    ["dxf", toDxf],
  ] as const) {
    const to = options.get(option);
    if (to === undefined) continue;
    if (!result.drawing) throw new Stop(`--${option}: ${calculator.name} has no drawing`, 2);
    writeFileSync(to, write(result.drawing));
  }
  console.log(JSON.stringify(asResult(calculator.name, result), null, 2));
  return 0;
}
