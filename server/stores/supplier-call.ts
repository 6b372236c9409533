// A time box was answered with a call to the supplier: it is written on the job's fault card, which is opened where there is none.

import { v7 } from "uuid";
import { sayTime } from "@/core/plan/words";
import type { FaultCard } from "@/core/workshop/records/kinds/fault";
import type { BuildRow, JobRow } from "@/core/workshop/state/model";
import { addRecord, setRecordData } from "@/db/records/records";
import type { Change } from "../action";

export async function writeCall(x: Change, userId: string, build: BuildRow, job: JobRow, text: string): Promise<void> {
  const call = { text: `asked the supplier: ${text}`.slice(0, 500), at: sayTime(x.zone, x.now) };
  const open = build.records.find((r) => r.kind === "fault" && r.jobId === job.id && r.closedAt === null);
  if (open) {
    const was = open.data as FaultCard;
    await setRecordData(x.c, open.id, { ...was, calls: [...was.calls, call] }, null);
    return;
  }
  const known = job.faults.flatMap((f) => f.causes);
  const data: FaultCard = {
    causes: (known.length ? known : [{ cause: "not known yet", test: "what the supplier says to try" }]).map((c) => ({
      ...c,
      result: "open" as const,
    })),
    calls: [call],
  };
  await addRecord(x.c, {
    id: v7(),
    buildId: build.id,
    jobId: job.id,
    kind: "fault",
    title: `${job.name} takes longer than it should`,
    data,
    saidBy: userId,
    saidAt: x.now,
  });
}
