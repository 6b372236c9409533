// One view of a van drawn from its template: outline, ribs, fields, what is chosen in it, and the state of its zones.

import type { LayoutItem } from "@/core/library/layout";
import { drawVan, type Part, VIEW_LABEL, type ViewName } from "@/core/van/drawing";
import type { Van } from "@/core/van/model";
import type { ZoneAt } from "@/core/workshop/state/van-zones";
import { stageOf } from "../kit/stage";

const PAD = 130;

const BOX: Record<Extract<Part, { kind: "box" }>["role"], React.SVGProps<SVGRectElement>> = {
  bay: { fill: "none", stroke: "var(--muted)", strokeWidth: 14 },
  rib: { fill: "var(--line)", stroke: "none" },
  field: { fill: "none", stroke: "var(--muted)", strokeWidth: 12, strokeDasharray: "60 40" },
  "double-field": { fill: "none", stroke: "var(--muted)", strokeWidth: 22, strokeDasharray: "20 40" },
  arch: { fill: "var(--sunk)", stroke: "var(--muted)", strokeWidth: 12 },
  door: { fill: "none", stroke: "var(--ink)", strokeWidth: 16 },
  "no-drill": { fill: "var(--amber-soft)", stroke: "var(--amber)", strokeWidth: 14 },
  "keep-out": { fill: "var(--signal-soft)", stroke: "var(--signal)", strokeWidth: 14 },
  free: { fill: "var(--green-soft)", stroke: "var(--green)", strokeWidth: 14 },
};

const LOOK: Record<LayoutItem["look"], React.SVGProps<SVGRectElement>> = {
  unit: { fill: "var(--card)", stroke: "var(--ink)", strokeWidth: 22 },
  dashed: { fill: "none", stroke: "var(--ink)", strokeWidth: 20, strokeDasharray: "80 50" },
  glass: { fill: "#2F6FA3", fillOpacity: 0.28, stroke: "#2F6FA3", strokeWidth: 20 },
  panel: { fill: "#1B2B4A", fillOpacity: 0.75, stroke: "#1B2B4A", strokeWidth: 14 },
  soft: { fill: "#AD5A2F", fillOpacity: 0.16, stroke: "#AD5A2F", strokeWidth: 20 },
  tank: { fill: "#1F7F78", fillOpacity: 0.2, stroke: "#1F7F78", strokeWidth: 18 },
};

function PartShape({ p }: { p: Part }) {
  if (p.kind === "circle") return <circle cx={p.x} cy={p.y} r={p.r} fill="var(--card)" stroke="var(--ink)" strokeWidth={46} />;
  if (p.kind === "path")
    return (
      <path
        d={p.d}
        fill={p.role === "outline" ? "var(--card)" : "none"}
        stroke={p.role === "outline" ? "var(--ink)" : "var(--muted)"}
        strokeWidth={p.role === "outline" ? 40 : 22}
        strokeLinejoin="round"
      />
    );
  return (
    <rect x={p.box.x} y={p.box.y} width={p.box.w} height={p.box.h} rx={20} {...BOX[p.role]}>
      {p.label && <title>{p.label}</title>}
    </rect>
  );
}

function zoneFill(z: ZoneAt, hatch: string): React.SVGProps<SVGRectElement> {
  switch (z.state) {
    case "work":
      return { fill: stageOf(z.stage ?? "").colour, fillOpacity: 0.9, stroke: "none" };
    case "hold":
      return { fill: `url(#${hatch})`, stroke: "var(--tape-b)", strokeWidth: 14 };
    case "proof":
      return { fill: "var(--signal-soft)", stroke: "var(--signal)", strokeWidth: 26, strokeDasharray: "70 46" };
    case "closed":
      return { fill: "var(--green)", fillOpacity: 0.26, stroke: "var(--green)", strokeWidth: 16 };
    default:
      return { fill: "none", stroke: "var(--line)", strokeWidth: 12 };
  }
}

export interface VanMark {
  n: number;
  x: number;
  y: number;
  what: string;
  /** It is done with. */
  faded?: boolean;
}

const MARK_TONE: Record<string, string> = { hole: "var(--pine)", rust: "var(--signal)", damage: "var(--amber)" };

export function VanDrawing({
  van,
  view,
  width,
  id,
  zones,
  layout = [],
  marked,
  label,
  marks = [],
  lit,
  onPick,
}: {
  van: Van;
  view: ViewName;
  width: number;
  /** Makes the hatch's name unique on the page. */
  id: string;
  zones?: readonly ZoneAt[];
  layout?: readonly LayoutItem[];
  /** Choices to be shown strongly; the others stand back. */
  marked?: readonly string[];
  /** Empty: a sign beside words that say it all. */
  label?: string;
  /** Numbered places in this view (mm of the drawing). */
  marks?: readonly VanMark[];
  /** The number of the mark that is pointed at. */
  lit?: number;
  /** A click on the drawing, in its mm. */
  onPick?(x: number, y: number): void;
}) {
  const d = drawVan(van, view);
  const state = new Map((zones ?? []).map((z) => [z.zone, z]));
  const w = d.width + 2 * PAD;
  const h = d.height + 2 * PAD;
  /** Eleven pixels of writing, in the drawing's millimetres. */
  const type = (11 * w) / width;
  const says = zones
    ? d.zones.map((z) => `${z.zone} ${state.get(z.zone)?.says ?? "bare"}`).join("; ")
    : layout
        .filter((i) => i.view === view)
        .map((i) => i.label)
        .join(", ");
  return (
    // biome-ignore lint/a11y/noSvgWithoutTitle: named by aria-label, or hidden beside words that say it all
    <svg
      {...(onPick
        ? {
            className: "cursor-crosshair",
            onClick: (e: React.MouseEvent<SVGSVGElement>) => {
              const m = e.currentTarget.getScreenCTM();
              if (!m) return;
              const p = new DOMPoint(e.clientX, e.clientY).matrixTransform(m.inverse());
              const within = (v: number, most: number) => Math.round(Math.min(Math.max(0, v), most));
              onPick(within(p.x, d.width), within(p.y, d.height));
            },
          }
        : {})}
      viewBox={`${-PAD} ${-PAD} ${w} ${h}`}
      width={width}
      height={(width * h) / w}
      {...(label === ""
        ? { "aria-hidden": true }
        : { role: "img", "aria-label": label ?? `${van.name}, ${VIEW_LABEL[view]}${says ? `: ${says}` : ""}` })}
    >
      <defs>
        <pattern id={`hatch-${id}`} width="180" height="180" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
          <rect width="180" height="180" fill="var(--tape-a)" />
          <rect width="80" height="180" fill="var(--tape-b)" />
        </pattern>
      </defs>
      {d.parts.map((p, i) => (
        // biome-ignore lint/suspicious/noArrayIndexKey: the parts of one drawing never move
        <PartShape key={i} p={p} />
      ))}
      {zones &&
        d.zones.map((z) => {
          const s = state.get(z.zone);
          return (
            s && (
              <rect key={z.zone} x={z.box.x} y={z.box.y} width={z.box.w} height={z.box.h} rx={40} {...zoneFill(s, `hatch-${id}`)}>
                <title>{`${z.zone}: ${s.says}`}</title>
              </rect>
            )
          );
        })}
      {layout
        .filter((i) => i.view === view)
        .map((i, n) => {
          const strong = !marked || marked.includes(i.key);
          return (
            // biome-ignore lint/suspicious/noArrayIndexKey: several panels share a key
            <g key={n} opacity={strong ? 1 : 0.35}>
              <rect x={i.box.x} y={i.box.y} width={i.box.w} height={i.box.h} rx={30} {...LOOK[i.look]} />
              {strong && width > 200 && i.box.w > i.label.length * type * 0.58 && i.box.h > type * 1.2 && (
                <text
                  x={i.box.x + i.box.w / 2}
                  y={i.box.y + i.box.h / 2 + type * 0.35}
                  textAnchor="middle"
                  fontSize={type}
                  fill={i.look === "panel" ? "#fff" : "var(--ink)"}
                >
                  {i.label}
                </text>
              )}
            </g>
          );
        })}
      {marks.map((m) => (
        <g key={m.n} opacity={m.faded ? 0.45 : 1} pointerEvents="none">
          <circle
            cx={m.x}
            cy={m.y}
            r={type * (lit === m.n ? 1.1 : 0.85)}
            fill={MARK_TONE[m.what] ?? "var(--ink)"}
            stroke="var(--card)"
            strokeWidth={type * 0.16}
          />
          <text x={m.x} y={m.y} dy="0.36em" textAnchor="middle" fontSize={type} fontWeight="bold" fill="var(--card)">
            {m.n}
          </text>
        </g>
      ))}
    </svg>
  );
}
