// Starts of the smaller sheets: what the van and the choices say of them; what only a tape or the client knows stays empty.

import type { Prefill, World } from "./prefill";

const t = (n: number) => String(Math.round(n * 10) / 10);

/** The panels that the roof plan lays out, mm. */
const PANEL = { width: 620, length: 1000 };

export const MORE_PREFILLS: Record<string, (w: World) => Prefill | undefined> = {
  "solar-feet": ({ geometry: g, options: o }) =>
    o.solar === 0
      ? undefined
      : {
          draft: {
            centre: t(g.inside.widthRoofMm / 2),
            "panel.width": t(PANEL.width),
            "panel.length": t(PANEL.length),
            play: "4",
            from: "",
            foot: "80",
            "diagonals.a": "",
            "diagonals.b": "",
            ribs: g.roofRibs.map((r) => ({ at: t(r.atMm), width: t(r.widthMm) })),
          },
          basis: { "roof width": g.inside.widthRoofMm, ribs: g.roofRibs.map((r) => r.atMm).join(", ") },
        },
  "bed-across": ({ geometry: g, options: o }) =>
    o.bed !== "across"
      ? undefined
      : {
          draft: {
            insideWidth: t(g.inside.widthWaistMm),
            ...(o.pods ? {} : { "recesses.left": "0", "recesses.right": "0" }),
            slack: "20",
          },
          basis: { "inside width at the waist": g.inside.widthWaistMm, pods: o.pods ? "yes" : "no" },
          partial: true,
        },
  // Batten and lining stay open until somebody knows them: then the answer is "not yet", never a guess.
  depths: ({ geometry: g }) => ({
    draft: {
      collar: "",
      layers: [
        { name: "rib", t: t(g.roofRibs[0].depthMm) },
        { name: "batten", t: "" },
        { name: "lining", t: "" },
      ],
    },
    basis: { "depth of the ribs": g.roofRibs[0].depthMm },
    partial: true,
  }),
  drain: ({ geometry: g, options: o }) =>
    o.wetRoom === "none"
      ? undefined
      : { draft: { fall: "0.02", insideHeight: t(g.inside.heightMm) }, basis: { "inside height": g.inside.heightMm }, partial: true },
};
