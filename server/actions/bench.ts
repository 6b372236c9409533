// Actions of the bench beside start and stop: questions before what can't be undone, pieces, waived steps, what a job leaves to finish.

import { v7 } from "uuid";
import { hasRole } from "@/core/library/roles";
import { seatWaiveFault } from "@/core/workshop/bare-body/seats";
import { countFault, maySign, signFault } from "@/core/workshop/starts/first-piece";
import { releaseFault } from "@/core/workshop/starts/released";
import { figure } from "@/core/workshop/state/house-figures";
import { addRemainder, answerQuestion, closeRemainder, setPieces, waiveStep } from "@/db/builds/jobs";
import { releaseJob, signFirstPiece } from "@/db/proof/release";
import { worksOn } from "../access/works-on";
import { action, body, change, is } from "../action";
import { Refusal } from "../refusal";
import { find, log, mayAct } from "./jobs";

export const benchActions = [
  // "Not sure" is a right answer: it keeps the question open until somebody else has looked.
  action<{ n: number; yes: boolean; unsure?: boolean }>(
    { method: "POST", path: "jobs/*/answer", role: "any" },
    body({ n: is.count, yes: is.bool }, { unsure: is.bool }),
    (b, { user, ids }) =>
      change(user, async (x) => {
        const f = await find(x, ids[0]);
        const q = f.job.questions.find((o) => o.n === b.n);
        if (!q) throw new Refusal(404, "There is no such question.");
        // A second person is asked to look: whoever says yes to what somebody else is not sure of need not be on the job.
        const second = b.yes && q.answeredAt === null && q.unsureBy !== null && q.unsureBy !== user.id;
        if (!second) await mayAct(x, user, f.job);
        if (b.yes && b.unsure) throw new Refusal(409, "Either yes or not sure.");
        if (b.yes && q.unsureBy === user.id) throw new Refusal(409, "You were not sure: somebody else has to check and answer.");
        if (b.unsure && q.unsureBy !== null) throw new Refusal(409, "Somebody is not sure of it already.");
        const unsureBy = b.unsure ? user.id : q.unsureBy;
        await answerQuestion(x.c, f.job.id, b.n, b.yes ? { by: user.id, at: x.now } : null, unsureBy);
        // What was released stood on this answer; once it is begun, who released it is a fact.
        if (!b.yes && f.job.state === "todo") await releaseJob(x.c, f.job.id, null);
        await x.event({
          kind: b.yes ? "question.answered" : b.unsure ? "question.unsure" : "question.opened",
          entity: "job",
          entityId: f.job.id,
          buildId: f.job.buildId,
          text: `${f.job.name}: ${q.text} ${b.yes ? "Yes" : b.unsure ? "Not sure" : "open again"}`,
        });
      }),
  ),
  // A second name before what can't be undone: the lead's, or that of whoever signs in as one.
  action<{ yes: boolean }>({ method: "POST", path: "jobs/*/release", role: "lead" }, body({ yes: is.bool }), (b, { user, ids }) =>
    change(user, async (x) => {
      const f = await find(x, ids[0]);
      const fault = b.yes
        ? releaseFault(f.shop, f.job, user.id)
        : f.job.state === "todo"
          ? undefined
          : `${f.job.name} has already started.`;
      if (fault) throw new Refusal(409, fault);
      await releaseJob(x.c, f.job.id, b.yes ? { by: user.id, at: x.now } : null);
      await x.event({
        kind: b.yes ? "job.released" : "job.held-back",
        entity: "job",
        entityId: f.job.id,
        buildId: f.job.buildId,
        text: `${f.job.name} ${b.yes ? "released" : "held back again"}`,
      });
    }),
  ),
  action<{ done: number }>({ method: "POST", path: "jobs/*/pieces", role: "any" }, body({ done: is.count }), (b, { user, ids }) =>
    change(user, async (x) => {
      const f = await find(x, ids[0]);
      await mayAct(x, user, f.job);
      const { pieces } = f.job;
      if (!pieces) throw new Refusal(409, `${f.job.name} is not counted in pieces.`);
      if (f.job.state !== "started") throw new Refusal(409, `Start ${f.job.name} first, then count its pieces.`);
      if (b.done > pieces.count)
        throw new Refusal(422, `done: there are ${pieces.count}`, { faults: [{ path: "done", message: `there are ${pieces.count}` }] });
      const locked = countFault(f.job, b.done);
      if (locked) throw new Refusal(409, locked);
      await setPieces(x.c, f.job.id, b.done);
      await log(x, f, "job.pieces", `${f.job.name}: ${b.done} of ${pieces.count} done (${pieces.name})`, { done: b.done });
    }),
  ),
  // The check of the first piece releases the rest; what was measured on it is kept.
  action<{ read: string }>({ method: "POST", path: "jobs/*/first-piece", role: "any" }, body({ read: is.words }), (b, { user, ids }) =>
    change(user, async (x) => {
      const f = await find(x, ids[0]);
      await worksOn(x.c, user, f.job.buildId);
      if (!maySign(f.shop, f.job, user))
        throw new Refusal(
          403,
          `The first piece is signed by the lead, or by somebody with the skill at level ${figure(f.shop, "signsFrom")}.`,
        );
      const fault = signFault(f.job);
      if (fault) throw new Refusal(409, fault);
      const read = b.read.trim().slice(0, 300);
      await signFirstPiece(x.c, f.job.id, { by: user.id, at: x.now, read });
      await log(x, f, "job.first-piece", `first piece of ${f.job.name} signed: ${read}`.slice(0, 500));
    }),
  ),
  action({ method: "DELETE", path: "jobs/*/first-piece", role: "any" }, body({}), (_b, { user, ids }) =>
    change(user, async (x) => {
      const f = await find(x, ids[0]);
      await worksOn(x.c, user, f.job.buildId);
      const { firstPiece, pieces } = f.job;
      if (firstPiece === null) throw new Refusal(409, "Nobody has signed it.");
      if (user.role !== "lead" && firstPiece.by !== user.id) throw new Refusal(403, "Only who signed it, or the lead, takes it back.");
      if (pieces && pieces.done > 1) throw new Refusal(409, "More pieces are counted: the signature stands.");
      await signFirstPiece(x.c, f.job.id, null);
      await log(x, f, "job.first-piece-back", `signature of the first piece of ${f.job.name} taken back`);
    }),
  ),
  // A step that is left out says why, and who left it out.
  action<{ n: number; why: string }>(
    { method: "POST", path: "jobs/*/waive", role: "any" },
    body({ n: is.count, why: is.words }),
    (b, { user, ids }) =>
      change(user, async (x) => {
        const f = await find(x, ids[0]);
        await mayAct(x, user, f.job);
        const step = f.job.steps.find((s) => s.n === b.n);
        if (!step) throw new Refusal(404, "There is no such step.");
        if (f.job.state !== "started") throw new Refusal(409, `Start ${f.job.name} first.`);
        const seat = seatWaiveFault(
          f.shop,
          f.shop.builds.find((o) => o.id === f.job.buildId)!,
          f.job,
          user.fitterId,
          x.zone.show(x.now).slice(0, 10),
        );
        if (seat) throw new Refusal(403, seat);
        if (!hasRole(f.job, "seats") && user.role !== "lead" && step.does && step.does !== "photo")
          throw new Refusal(403, "This step guards what comes after it. Only the lead may leave it out.");
        await waiveStep(x.c, f.job.id, b.n, user.id, x.now, b.why.trim());
        await x.event({
          kind: "step.waived",
          entity: "job",
          entityId: f.job.id,
          buildId: f.job.buildId,
          text: `${user.name} left out step ${b.n} of ${f.job.name} (${step.text}): ${b.why.trim()}`.slice(0, 500),
        });
      }),
  ),
  action<{ text: string; before?: string; owner?: string }>(
    { method: "POST", path: "jobs/*/remainders", role: "any" },
    body({ text: is.words }, { before: is.id, owner: is.id }),
    (b, { user, ids }) =>
      change(user, async (x) => {
        const f = await find(x, ids[0]);
        await mayAct(x, user, f.job);
        const before = b.before && f.shop.builds.flatMap((o) => o.jobs).find((j) => j.id === b.before);
        if (b.before && (!before || before.buildId !== f.job.buildId || before.state === "done"))
          throw new Refusal(422, "before: it has to be a job of this build that is still to come", {
            faults: [{ path: "before", message: "has to be a job of this build that is still to come" }],
          });
        if (b.owner && !f.shop.fitters.some((o) => o.id === b.owner && !o.retired))
          throw new Refusal(422, "owner: there is no such fitter", { faults: [{ path: "owner", message: "is no fitter we know" }] });
        const id = v7();
        const owner = b.owner ?? user.fitterId ?? null;
        await addRemainder(x.c, { id, jobId: f.job.id, text: b.text.trim(), before: b.before ?? null, owner, by: user.id, at: x.now });
        await log(x, f, "remainder.said", `${f.job.name}, still to finish: ${b.text.trim()}`);
        return { id };
      }),
  ),
  action({ method: "POST", path: "remainders/*/close", role: "any" }, body({}), (_b, { user, ids }) =>
    change(user, async (x) => {
      if (!(await closeRemainder(x.c, ids[0], user.id, x.now))) throw new Refusal(409, "It is closed already.");
      await x.event({ kind: "remainder.closed", entity: "remainder", entityId: ids[0], text: "something left to finish was closed" });
      await x.stale("a remainder was closed");
    }),
  ),
];
