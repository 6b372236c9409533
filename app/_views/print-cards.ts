// Fills a build's printed job cards.

import QRCode from "qrcode";
import type { BuildView, PrintCard } from "@/ui/builds/view";
import { near } from "@/ui/kit/time";

/** One card a job, in the order of the sheet; `origin` is where a phone finds the workshop's server. */
export async function printCards(view: BuildView, origin: string): Promise<PrintCard[]> {
  return Promise.all(
    view.jobs.map(async (j) => {
      const svg = await QRCode.toString(`${origin}/card?job=${encodeURIComponent(j.id)}`, {
        type: "svg",
        margin: 0,
        errorCorrectionLevel: "M",
      });
      return {
        id: j.id,
        stage: j.stage,
        state: j.state,
        name: j.name,
        van: view.vanName,
        when: j.from === null ? "no place in the plan yet" : near(view.zone, j.from, view.now),
        place: j.place,
        who: j.who,
        crew: j.crew,
        likely: j.likely,
        hold: j.hold,
        needs: j.needs,
        deed: j.deed,
        questions: j.questions.map((q) => q.text),
        steps: j.steps.map((s) => s.text),
        pieces: j.pieces,
        cautions: j.cautions,
        parts: j.parts.map((p) => `${p.name}, ${p.quantity}`),
        kit: [...j.kit, ...j.tools],
        shots: j.shots.map((s) => s.text),
        means: j.means,
        qr: `data:image/svg+xml;base64,${Buffer.from(svg).toString("base64")}`,
      };
    }),
  );
}
