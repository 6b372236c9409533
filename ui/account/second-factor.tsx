"use client";
// The second factor: read a picture with an authenticator, type the code that it shows, and from then on each sign-in asks for one.

import { useState } from "react";
import { Button } from "../kit/button";
import { Field } from "../kit/field";
import { send } from "../kit/send";
import { useAct } from "../kit/use-act";
import { useForm } from "../kit/use-form";
import { Section } from "./section";

interface Begun {
  secret: string;
  picture: string;
}

const codeField = { name: "code", inputMode: "numeric", autoComplete: "one-time-code", required: true, maxLength: 10 } as const;

export function SecondFactor({ on }: { on: boolean }) {
  const act = useAct();
  const [begun, setBegun] = useState<Begun>();
  const [ending, setEnding] = useState(false);
  return (
    <Section title="Second factor">
      <p className="mb-3 text-muted">
        {on
          ? "Signing in asks for a code from your phone. If you lose the phone, another lead can make you a sign-in code, or somebody at the server can: ./wide-lane sign-in-code."
          : "With it, signing in also asks for a code from an authenticator on your phone. A stolen password is then not enough."}
      </p>
      {!on && !begun && (
        <Button
          className="min-h-11"
          disabled={act.busy}
          onClick={() => void act.run(async () => setBegun(await send<Begun>("POST", "account/second/begin")))}
        >
          Turn on
        </Button>
      )}
      {!on && begun && <Confirm begun={begun} onDone={() => setBegun(undefined)} />}
      {on && !ending && (
        <Button className="min-h-11" onClick={() => setEnding(true)}>
          Turn off
        </Button>
      )}
      {on && ending && <Off onDone={() => setEnding(false)} />}
    </Section>
  );
}

function Confirm({ begun, onDone }: { begun: Begun; onDone(): void }) {
  const form = useForm();
  return (
    <form
      data-busy
      className="flex flex-col gap-3"
      onSubmit={async (e) => {
        e.preventDefault();
        const d = new FormData(e.currentTarget);
        const body = { secret: begun.secret, code: String(d.get("code")), password: String(d.get("password")) };
        if (await form.submit(() => send("POST", "account/second/confirm", body), 1, "The second factor is on")) onDone();
      }}
    >
      <p>1. Scan this with the authenticator, or type the letters below into it.</p>
      {/* biome-ignore lint/performance/noImgElement: drawn by the server for this one look, no file of its own */}
      <img
        src={`data:image/svg+xml;utf8,${encodeURIComponent(begun.picture)}`}
        alt="Code for the authenticator"
        className="size-44 bg-white p-2"
      />
      <p className="break-all font-bold tracking-wider">{begun.secret.match(/.{4}/g)?.join(" ")}</p>
      <p>2. Type the six digits that it shows now, and your password.</p>
      <Field label="Six digits" faults={form.faults} {...codeField} />
      <Field label="Password" name="password" type="password" autoComplete="current-password" faults={form.faults} required />
      {form.general && (
        <p role="alert" className="text-signal-text">
          {form.general}
        </p>
      )}
      <div className="flex gap-2">
        <Button type="submit" kind="main" disabled={form.busy} className="min-h-11">
          Turn the second factor on
        </Button>
        <Button className="min-h-11" onClick={onDone}>
          Cancel
        </Button>
      </div>
    </form>
  );
}

function Off({ onDone }: { onDone(): void }) {
  const form = useForm();
  return (
    <form
      data-busy
      className="flex flex-col gap-3"
      onSubmit={async (e) => {
        e.preventDefault();
        const d = new FormData(e.currentTarget);
        const body = { code: String(d.get("code")), password: String(d.get("password")) };
        if (await form.submit(() => send("POST", "account/second/off", body), 1, "The second factor is off")) onDone();
      }}
    >
      <Field label="Six digits" faults={form.faults} {...codeField} />
      <Field label="Password" name="password" type="password" autoComplete="current-password" faults={form.faults} required />
      {form.general && (
        <p role="alert" className="text-signal-text">
          {form.general}
        </p>
      )}
      <div className="flex gap-2">
        <Button type="submit" kind="danger" disabled={form.busy} className="min-h-11">
          Turn the second factor off
        </Button>
        <Button className="min-h-11" onClick={onDone}>
          Cancel
        </Button>
      </div>
    </form>
  );
}
