"use client";
// Sign-in by name and password, then what else is asked for: the second factor's digits, or a password of one's own; the demo also offers its people to click.

import { useState } from "react";
import { Button } from "../kit/button";
import { Field } from "../kit/field";

export function SignIn({ workshop, people }: { workshop: string; people: { id: string; name: string; role: string }[] }) {
  const [busy, setBusy] = useState(false);
  const [error, setError] = useState("");
  const [ask, setAsk] = useState<"code" | "password">();
  const enter = async (body: Record<string, string>) => {
    setBusy(true);
    setError("");
    try {
      const r = await fetch("/api/session", {
        method: "POST",
        headers: { "content-type": "application/json" },
        body: JSON.stringify(body),
      });
      const answer = (await r.json()) as {
        home?: string;
        ask?: "code" | "password";
        error?: string;
        faults?: { path: string; message: string }[];
      };
      const weak = answer.faults?.find((f) => f.path === "chosen");
      if (r.ok && answer.home) {
        window.location.href = answer.home;
        return;
      }
      if (r.ok && answer.ask) setAsk(answer.ask);
      else setError(weak ? `This password ${weak.message}` : (answer.error ?? "That did not work."));
    } catch {
      setError("No answer from the workshop's server. Try again.");
    }
    setBusy(false);
  };
  return (
    <main className="gravel grid min-h-dvh place-items-center p-4">
      <div className="w-full max-w-md overflow-hidden rounded-lg border bg-card">
        <div className="bg-pine px-6 py-5 text-on-pine">
          <p className="text-[1.375rem] uppercase" style={{ fontStretch: "125%", fontWeight: 800 }}>
            Wide Lane
          </p>
          <h1 className="mt-0.5 text-[0.9375rem] font-normal">{workshop}</h1>
        </div>
        {people.length > 0 && (
          <section className="border-b px-6 py-5">
            <h2 className="text-[0.9375rem]">Who are you today?</h2>
            <p className="text-muted">This is the made-up workshop: a click signs you in.</p>
            <ul className="mt-3 grid grid-cols-2 gap-2">
              {people.map((p) => (
                <li key={p.id} className={p.role === "lead" ? "col-span-2" : ""}>
                  <Button
                    kind={p.role === "lead" ? "main" : "plain"}
                    disabled={busy}
                    className="h-11 w-full !justify-between"
                    onClick={() => enter({ demoUser: p.id })}
                  >
                    <span>{p.name}</span>
                    <span className="font-normal opacity-80">{p.role}</span>
                  </Button>
                </li>
              ))}
            </ul>
          </section>
        )}
        <form
          className="flex flex-col gap-3 px-6 py-5"
          onSubmit={(e) => {
            e.preventDefault();
            const f = new FormData(e.currentTarget);
            const more = ask && { [ask === "code" ? "code" : "chosen"]: String(f.get(ask === "code" ? "code" : "password-chosen") ?? "") };
            void enter({ login: String(f.get("login")), password: String(f.get("password")), ...more });
          }}
        >
          <Field
            label="Name"
            name="login"
            autoComplete="username"
            autoCapitalize="none"
            required
            maxLength={60}
            onChange={() => setAsk(undefined)}
          />
          <Field
            label="Password or sign-in code"
            name="password"
            type="password"
            autoComplete="current-password"
            required
            maxLength={200}
          />
          {ask === "code" && (
            <Field
              label="Six digits from your phone"
              name="code"
              inputMode="numeric"
              autoComplete="one-time-code"
              autoFocus
              required
              maxLength={10}
            />
          )}
          {ask === "password" && (
            <Field
              label="Choose a password"
              name="password-chosen"
              type="password"
              autoComplete="new-password"
              autoFocus
              required
              minLength={12}
              maxLength={200}
              hint="At least 12 characters. A few words that have nothing to do with each other are good. The code is used up then."
            />
          )}
          {error && (
            <p role="alert" className="text-signal-text">
              {error}
            </p>
          )}
          <Button type="submit" kind={people.length ? "plain" : "main"} disabled={busy} className="h-10">
            Sign in
          </Button>
        </form>
      </div>
    </main>
  );
}
