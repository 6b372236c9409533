"use client";
// A kept sheet says that a part does not fit: it is told to Stores as wrong, with by how much.

import { useState } from "react";
import { Button } from "../kit/button";
import { Select } from "../kit/field";
import { send } from "../kit/send";
import { useForm } from "../kit/use-form";
import type { KeptSheet } from "./view";

export function Claim({ claim }: { claim: NonNullable<KeptSheet["claim"]> }) {
  const form = useForm();
  const [part, setPart] = useState(claim.parts[0].id);
  const [said, setSaid] = useState<string>();
  const chosen = claim.parts.find((p) => p.id === part) ?? claim.parts[0];
  return (
    <form
      aria-label="It does not fit"
      className="mb-3 flex flex-col gap-2 rounded-md border border-signal px-3 py-2"
      onSubmit={(e) => {
        e.preventDefault();
        void form
          .submit(
            () => send("PATCH", `parts/${chosen.id}`, { version: chosen.version, state: "wrong", note: claim.note }),
            1,
            "The claim is open",
          )
          .then((ok) => ok && setSaid(chosen.name));
      }}
    >
      <p>
        <b>It does not fit:</b> {claim.note}
      </p>
      <Select
        label="Which part"
        name="part"
        faults={form.faults}
        value={chosen.id}
        onChange={(e) => setPart(e.target.value)}
        options={claim.parts.map((p) => [p.id, p.name] as const)}
      />
      {(form.general || form.stale) && (
        <p role="alert" className="text-signal-text">
          {form.general ?? "Somebody else changed the part meanwhile. Look at it in Stores."}
        </p>
      )}
      <div className="flex items-center justify-between gap-3">
        <span className="text-green-text">{said && `${said} stands in Stores as wrong.`}</span>
        <Button type="submit" disabled={form.busy || said !== undefined}>
          Open the claim
        </Button>
      </div>
    </form>
  );
}
