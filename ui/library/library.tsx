"use client";

// The workshop's job library: every job, how it differs from the shipped one, its versions, files in and out.

import Link from "next/link";
import { useDeferredValue, useRef, useState } from "react";
import type { JobDiff } from "@/core/library/check-library";
import { Button, buttonClass } from "../kit/button";
import { cx } from "../kit/cx";
import { Dialog } from "../kit/dialog";
import { sendLines } from "../kit/lines";
import { type Fault, SendError, send } from "../kit/send";
import { STAGE, StageBadge } from "../kit/stage";
import { time } from "../kit/time";
import { useAct } from "../kit/use-act";
import { useUrlText } from "../kit/use-url";
import { JobEditor } from "./editor";
import { Fields } from "./fields";
import type { LibraryView } from "./view";

export function Library({ view }: { view: LibraryView }) {
  const [asked, setCode] = useUrlText("job");
  const code = view.jobs.some((j) => j.code === asked) ? asked : view.jobs[0]?.code;
  const [find, setFind] = useUrlText("find");
  const [showing, setShowing] = useState<"versions" | "diff" | "import">();
  const differs = new Map(view.diff.map((d) => [d.code, d]));
  const words = find.toLowerCase().split(/\s+/).filter(Boolean);
  const shown = view.jobs.filter((j) =>
    words.every((w) => `${j.code} ${j.name} ${j.steps.map((s) => s.text).join(" ")}`.toLowerCase().includes(w)),
  );
  // The list shows what is chosen at once; the form, which is long, follows when it is ready.
  const formOf = useDeferredValue(code);
  const job = view.jobs.find((j) => j.code === formOf);
  return (
    <div className="flex min-h-0 flex-1 flex-col p-5">
      <div className="mb-4 flex flex-wrap items-center gap-3">
        <div className="mr-auto">
          <h1 className="text-[1.375rem]">Job library</h1>
          <p className="text-muted">
            Version {view.number}, {view.jobs.length} jobs,{" "}
            {view.diff.length ? `${view.diff.length} of them differ from the shipped library` : "as shipped"}. A build keeps the version it
            was made with.{" "}
            <Link href="/workshop" className="underline underline-offset-2">
              Workshop
            </Link>
          </p>
        </div>
        <Button disabled={!view.diff.length} onClick={() => setShowing("diff")}>
          Difference to shipped
        </Button>
        <Button onClick={() => setShowing("versions")}>Versions</Button>
        <Button onClick={() => setShowing("import")}>Import</Button>
        <a href="/api/library" download className={buttonClass()}>
          Export
        </a>
      </div>
      {view.lacking.length > 0 && (
        <ul role="status" className="mb-4 rounded-md border border-amber bg-amber-soft px-3 py-2">
          {view.lacking.map((l) => (
            <li key={l.what}>
              No job {l.what}. This rule does nothing until one does: {l.rule}.
            </li>
          ))}
        </ul>
      )}
      <div className="grid min-h-0 flex-1 gap-5 lg:grid-cols-[320px_minmax(0,1fr)]">
        <nav aria-label="Jobs of the library" className="flex min-h-0 flex-col gap-2">
          <input
            type="search"
            aria-label="Find a job"
            placeholder="Find in names and steps"
            value={find}
            onChange={(e) => setFind(e.target.value)}
            className="h-9 rounded-md border bg-card px-2.5"
          />
          <ul className="overflow-y-auto rounded-md border bg-card lg:max-h-[calc(100dvh-230px)]">
            {Object.keys(STAGE)
              .flatMap((stage) => shown.filter((j) => j.stage === stage))
              .map((j) => (
                <li key={j.code} className="border-b last:border-0">
                  <button
                    type="button"
                    aria-current={j.code === code}
                    onClick={() => setCode(j.code)}
                    className={cx(
                      "flex w-full items-center gap-2 px-2.5 py-1.5 text-left hover:bg-sunk",
                      j.code === code && "bg-pine-soft font-bold",
                    )}
                  >
                    <StageBadge stage={j.stage} />
                    <span className="w-6 text-[0.75rem] text-muted">{j.code.slice(3)}</span>
                    <span className="min-w-0 flex-1 truncate">{j.name}</span>
                    {differs.has(j.code) && (
                      <span className="text-[0.6875rem] text-amber-text">{differs.get(j.code)!.kind === "added" ? "own" : "changed"}</span>
                    )}
                  </button>
                </li>
              ))}
            {shown.length === 0 && <li className="px-3 py-2 text-muted">No job has these words.</li>}
          </ul>
        </nav>
        {job ? (
          <JobEditor key={`${job.code}-${view.number}`} job={job} view={view} diff={differs.get(job.code)} onCode={setCode} />
        ) : (
          <p className="text-muted">Choose a job on the left.</p>
        )}
      </div>
      <Dialog open={showing === "diff"} onOpenChange={(o) => !o && setShowing(undefined)} title="Difference to shipped" wide>
        <Diff
          diff={view.diff}
          view={view}
          onCode={(c) => {
            setCode(c);
            setShowing(undefined);
          }}
        />
      </Dialog>
      <Dialog open={showing === "versions"} onOpenChange={(o) => !o && setShowing(undefined)} title="Versions" wide>
        <Versions view={view} onDone={() => setShowing(undefined)} />
      </Dialog>
      <Dialog open={showing === "import"} onOpenChange={(o) => !o && setShowing(undefined)} title="Import a library" wide>
        <Import view={view} onDone={() => setShowing(undefined)} />
      </Dialog>
    </div>
  );
}

function Diff({ diff, view, onCode }: { diff: JobDiff[]; view?: LibraryView; onCode?(code: string): void }) {
  const act = useAct();
  if (!diff.length) return <p>Nothing differs.</p>;
  return (
    <div>
      {view && (
        <Button
          kind="danger"
          className="mb-3"
          disabled={act.busy}
          onClick={() =>
            void act.run(() => send("POST", "library/restore", { base: view.number }), "All as shipped; the versions before stay")
          }
        >
          Go back to the supplied library
        </Button>
      )}
      <ul className="flex flex-col gap-3">
        {diff.map((d) => (
          <li key={d.code} className="border-t pt-2">
            <p className="flex items-center justify-between gap-3">
              {onCode && d.kind !== "removed" ? (
                <button type="button" onClick={() => onCode(d.code)} className="font-bold underline underline-offset-2">
                  {d.code} {d.name}
                </button>
              ) : (
                <b>
                  {d.code} {d.name}
                </b>
              )}
              <span className="text-muted">{d.kind}</span>
            </p>
            <Fields fields={d.fields} />
          </li>
        ))}
      </ul>
    </div>
  );
}

function Versions({ view, onDone }: { view: LibraryView; onDone(): void }) {
  const act = useAct();
  return (
    <table className="w-full text-left">
      <tbody>
        {view.versions.map((v) => {
          const used = view.builds.filter((b) => b.version === v.number);
          return (
            <tr key={v.number} className="border-t align-top">
              <td className="py-2 pr-3 font-bold">{v.number}</td>
              <td className="py-2 pr-3">
                {v.note}
                <span className="block text-[0.75rem] text-muted">
                  {v.madeBy ?? "Wide Lane"}, {time(view.zone, v.madeAt)}
                  {used.length > 0 && ` · ${used.map((b) => b.name).join(", ")}`}
                </span>
              </td>
              <td className="py-2 text-right whitespace-nowrap">
                <a href={`/api/library?version=${v.number}`} download className="mr-3 underline underline-offset-2">
                  file
                </a>
                {v.number === view.number ? (
                  <span className="text-muted">in use</span>
                ) : (
                  <Button
                    disabled={act.busy}
                    onClick={() =>
                      void act
                        .run(() => send("POST", "library/restore", { base: view.number, version: v.number }), `As in version ${v.number}`)
                        .then((ok) => ok && onDone())
                    }
                  >
                    Use it again
                  </Button>
                )}
              </td>
            </tr>
          );
        })}
      </tbody>
    </table>
  );
}

function Import({ view, onDone }: { view: LibraryView; onDone(): void }) {
  const act = useAct();
  const input = useRef<HTMLInputElement>(null);
  const [file, setFile] = useState<Record<string, unknown>>();
  const [name, setName] = useState("");
  const [faults, setFaults] = useState<Fault[]>([]);
  const [diff, setDiff] = useState<JobDiff[]>();
  const [share, setShare] = useState<number>();
  const stop = useRef<AbortController>(undefined);
  const read = async (f: File | undefined) => {
    setDiff(undefined);
    setFaults([]);
    setFile(undefined);
    if (!f) return;
    setName(f.name);
    let value: Record<string, unknown>;
    try {
      value = JSON.parse(await f.text());
    } catch (e) {
      setFaults([{ path: f.name, message: `is no JSON: ${(e as Error).message}` }]);
      return;
    }
    try {
      stop.current = new AbortController();
      setShare(0);
      await sendLines<{ trying?: { done: number; all: number }; done?: { diff: JobDiff[] } }>(
        "library/try",
        { base: view.number, file: value },
        (line) => {
          if (line.trying) setShare(line.trying.done / line.trying.all);
          if (line.done) {
            setDiff(line.done.diff);
            setFile(value);
          }
        },
        stop.current.signal,
      );
    } catch (e) {
      if ((e as Error).name === "AbortError") return;
      const s = e as SendError;
      setFaults(s instanceof SendError && s.faults.length ? s.faults : [{ path: f.name, message: s.message }]);
    } finally {
      setShare(undefined);
    }
  };
  return (
    <div className="flex flex-col gap-4">
      <p className="text-muted">
        A file as Export writes it. It is read and tried with many choices first; nothing changes before you take it.
      </p>
      <input
        ref={input}
        type="file"
        accept="application/json,.json"
        aria-label="Library file"
        onChange={(e) => void read(e.target.files?.[0])}
      />
      {share !== undefined && (
        <div className="flex items-center gap-3" role="status">
          <progress value={share} max={1} aria-label="Reading the file" className="flex-1" />
          <span>Reading it and trying it with many choices …</span>
          <Button onClick={() => stop.current?.abort()}>Stop</Button>
        </div>
      )}
      {faults.length > 0 && (
        <div role="alert" className="rounded-md border border-signal bg-signal-soft px-3 py-2">
          <p className="font-bold">{name} can't be taken. Nothing was changed.</p>
          <ul className="mt-1 list-disc pl-4">
            {faults.slice(0, 20).map((f) => (
              <li key={`${f.path}${f.message}`}>
                <code className="break-all">{f.path}</code>: {f.message}
              </li>
            ))}
          </ul>
          {faults.length > 20 && <p>and {faults.length - 20} more.</p>}
        </div>
      )}
      {diff && (
        <>
          <p>{diff.length ? `${diff.length} jobs would differ from version ${view.number}:` : "It holds what is in use already."}</p>
          <Diff diff={diff} />
          {file && diff.length > 0 && (
            <Button
              kind="main"
              className="self-end"
              disabled={act.busy}
              onClick={() =>
                void act
                  .run(
                    () => send("POST", "library/import", { base: view.number, file, note: `imported from ${name}` }),
                    "Taken as the next version",
                  )
                  .then((ok) => ok && onDone())
              }
            >
              Take it as version {view.number + 1}
            </Button>
          )}
        </>
      )}
    </div>
  );
}
