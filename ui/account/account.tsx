"use client";

// Your account: a new password, the second factor of leads, and the devices you are signed in on.

import Link from "next/link";
import { useState } from "react";
import { signOut } from "../frame/session";
import { Button, buttonClass } from "../kit/button";
import { Field } from "../kit/field";
import { send } from "../kit/send";
import { useAct } from "../kit/use-act";
import { useForm } from "../kit/use-form";
import { useFresh } from "../kit/use-fresh";
import { when } from "../kit/when";
import { SecondFactor } from "./second-factor";
import { Section } from "./section";
import type { AccountView } from "./view";

export function Account({ view }: { view: AccountView }) {
  useFresh(view);
  return (
    <main className="mx-auto flex w-full max-w-2xl flex-col gap-4 p-5">
      <div className="flex flex-wrap items-center justify-between gap-3">
        <div>
          <h1 className="text-[1.375rem]">Your account</h1>
          <p className="text-muted">
            {view.name}, signs in as {view.login}
          </p>
        </div>
        <Link href={view.lead ? "/" : "/card"} className={buttonClass()}>
          {view.lead ? "Back to the yard" : "Back to your card"}
        </Link>
      </div>
      <Password />
      {view.lead && <SecondFactor on={view.second} />}
      <Devices view={view} />
    </main>
  );
}

function Password() {
  const form = useForm();
  return (
    <Section title="Password">
      <form
        data-busy
        className="flex flex-col gap-3"
        onSubmit={async (e) => {
          e.preventDefault();
          const at = e.currentTarget;
          const d = new FormData(at);
          const body = { old: String(d.get("old")), next: String(d.get("next")) };
          if (await form.submit(() => send("POST", "account/password", body), 1, "Your password is changed. Other devices are signed out."))
            at.reset();
        }}
      >
        <Field
          label="Password you have"
          name="old"
          type="password"
          autoComplete="current-password"
          faults={form.faults}
          required
          maxLength={200}
        />
        <Field
          label="New password"
          name="next"
          type="password"
          autoComplete="new-password"
          faults={form.faults}
          required
          minLength={12}
          maxLength={200}
          hint="At least 12 characters. A few words that have nothing to do with each other are good."
        />
        {form.general && (
          <p role="alert" className="text-signal-text">
            {form.general}
          </p>
        )}
        <Button type="submit" kind="main" disabled={form.busy} className="min-h-11 self-start">
          Change password
        </Button>
      </form>
    </Section>
  );
}

function Devices({ view }: { view: AccountView }) {
  const act = useAct();
  const [busy, setBusy] = useState<string>();
  const others = view.sessions.filter((s) => !s.mine);
  const end = async (id: string) => {
    setBusy(id);
    await act.run(() => send("POST", `account/sessions/${id}/end`), "That device is signed out");
    setBusy(undefined);
  };
  return (
    <Section title="Signed in on">
      <ul>
        {view.sessions.map((s) => (
          <li key={s.id} className="flex flex-wrap items-center justify-between gap-2 border-b py-2 last:border-0">
            <span className="min-w-0">
              {s.device} {s.mine && <b>· this device</b>}
              <span className="block text-muted" suppressHydrationWarning>
                {s.address || "no address"} · since {when(s.since)}
                {s.seen && `, last used ${when(s.seen)}`}
              </span>
            </span>
            {s.mine ? (
              <Button className="min-h-11" onClick={() => void signOut()}>
                Sign out
              </Button>
            ) : (
              <Button className="min-h-11" disabled={busy === s.id} onClick={() => void end(s.id)}>
                Sign this device out
              </Button>
            )}
          </li>
        ))}
      </ul>
      {others.length > 0 && (
        <Button
          kind="danger"
          className="mt-3 min-h-11"
          disabled={act.busy}
          onClick={() => void act.run(() => send("POST", "account/sessions/end-others"), "All other devices are signed out")}
        >
          Sign all other devices out
        </Button>
      )}
    </Section>
  );
}
