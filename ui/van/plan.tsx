// A van from above, to scale, with its zones; and the same from the side as a small sign.

export interface VanShape {
  name: string;
  lengthMm: number;
  widthMm: number;
  heightMm: number;
  wheelbaseMm: number;
  cabMm: number;
  frontAxleMm: number;
}

export interface ZoneMark {
  zone: string;
  kind: "work" | "hold";
  /** Colour of the stage, for work. */
  colour: string;
  label: string;
}

/** Where each zone lies, seen from above, nose to the left. */
function zoneBox(v: VanShape, zone: string): [x: number, y: number, w: number, h: number] | undefined {
  const from = v.cabMm + 60;
  const to = v.lengthMm - 110;
  const inset = 130;
  const strip = v.widthMm * 0.17;
  switch (zone) {
    case "left":
      return [from, v.widthMm - inset - strip, to - from, strip];
    case "right":
      return [from, inset, to - from, strip];
    case "rear":
      return [to - 620, inset, 620, v.widthMm - 2 * inset];
    case "nose":
      return [v.cabMm * 0.42, inset, v.cabMm * 0.5, v.widthMm - 2 * inset];
    case "floor":
      return [from, inset + strip + 60, to - from, v.widthMm - 2 * (inset + strip + 60)];
    case "ceiling":
    case "roof":
      return [from + 300, v.widthMm * 0.3, to - from - 600, v.widthMm * 0.4];
    case "underside":
      return [from, v.widthMm * 0.42, to - from, v.widthMm * 0.16];
    case "outside":
      return undefined;
    default:
      return undefined;
  }
}

/** How many millimetres stand beside the body on the drawing. */
const PAD = 60;

export function VanPlan({
  van,
  marks,
  width,
  hatchId,
  people,
}: {
  van: VanShape;
  marks: readonly ZoneMark[];
  width: number;
  hatchId: string;
  people?: React.ReactNode;
}) {
  const w = van.lengthMm + 2 * PAD;
  const h = van.widthMm + 2 * PAD;
  const L = van.lengthMm;
  const W = van.widthMm;
  const nose = Math.min(620, van.cabMm * 0.36);
  const whole = marks.some((m) => m.zone === "outside");
  return (
    <svg
      viewBox={`${-PAD} ${-PAD} ${w} ${h}`}
      width={width}
      height={(width * h) / w}
      role="img"
      aria-label={`${van.name}, ${
        marks.length
          ? marks
              .map((m) => m.label)
              .filter((x, i, all) => all.indexOf(x) === i)
              .join("; ")
          : "nothing in work on it"
      }`}
    >
      <defs>
        <pattern id={hatchId} width="180" height="180" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
          <rect width="180" height="180" fill="var(--tape-a)" />
          <rect width="80" height="180" fill="var(--tape-b)" />
        </pattern>
      </defs>
      <path
        d={`M ${nose} 0 H ${L - 90} Q ${L} 0 ${L} 90 V ${W - 90} Q ${L} ${W} ${L - 90} ${W} H ${nose} Q 0 ${W - 60} 0 ${W / 2} Q 0 60 ${nose} 0 Z`}
        fill="var(--card)"
        stroke={whole ? (marks.find((m) => m.zone === "outside")?.colour ?? "var(--ink)") : "var(--ink)"}
        strokeWidth={whole ? 90 : 46}
      />
      <path
        d={`M ${van.cabMm - 420} 110 Q ${van.cabMm - 620} ${W / 2} ${van.cabMm - 420} ${W - 110}`}
        fill="none"
        stroke="var(--ink)"
        strokeWidth={30}
      />
      {marks.map((m, i) => {
        const box = zoneBox(van, m.zone);
        if (!box) return null;
        const [x, y, bw, bh] = box;
        return (
          <rect
            // biome-ignore lint/suspicious/noArrayIndexKey: the marks of one drawing never move
            key={i}
            x={x}
            y={y}
            width={bw}
            height={bh}
            rx={50}
            fill={m.kind === "work" ? m.colour : `url(#${hatchId})`}
            opacity={m.kind === "work" ? 0.88 : 1}
          />
        );
      })}
      {people}
    </svg>
  );
}

/** The van from the side, small, for a lane's head. */
export function VanSide({ van, width }: { van: VanShape; width: number }) {
  const { lengthMm: L, heightMm: H } = van;
  const wheel = 340;
  const ground = H - wheel;
  const front = van.frontAxleMm;
  const rear = van.frontAxleMm + van.wheelbaseMm;
  return (
    <svg viewBox={`-60 -60 ${L + 120} ${H + 120}`} width={width} height={(width * (H + 120)) / (L + 120)} aria-hidden="true">
      <path
        d={`M 0 ${ground} V ${H * 0.62} Q 60 ${H * 0.5} ${van.cabMm * 0.42} ${H * 0.42} L ${van.cabMm * 0.78} 120 Q ${van.cabMm * 0.85} 0 ${van.cabMm * 1.05} 0 H ${L - 160} Q ${L} 0 ${L} 180 V ${ground} Z`}
        fill="none"
        stroke="currentColor"
        strokeWidth={70}
        strokeLinejoin="round"
      />
      {[front, rear].map((x) => (
        <circle key={x} cx={x} cy={ground} r={wheel} fill="var(--card)" stroke="currentColor" strokeWidth={70} />
      ))}
    </svg>
  );
}
