"use client";
// Who signs in: add, new password, retire.

import { useState } from "react";
import { Button } from "../kit/button";
import { Dialog } from "../kit/dialog";
import { Field, Select } from "../kit/field";
import { send } from "../kit/send";
import { useForm } from "../kit/use-form";
import { FormEnd, Head, Retire, Row, Rows } from "./parts";
import type { UserView, WorkshopView } from "./view";

export function Users({ view }: { view: WorkshopView }) {
  const [adding, setAdding] = useState(false);
  const [changing, setChanging] = useState<UserView>();
  const [naming, setNaming] = useState<UserView>();
  return (
    <>
      <Head
        about="A lead sees and changes everything; a fitter sees their own card. A new password ends all their sessions."
        add="Add a person"
        onAdd={() => setAdding(true)}
      />
      <Rows empty="Nobody signs in yet.">
        {view.users.map((u) => (
          <Row
            key={u.id}
            title={u.name}
            retired={u.retired}
            actions={
              <>
                <Button onClick={() => setNaming(u)}>Rename</Button>
                <Button onClick={() => setChanging(u)}>New password</Button>
                <Retire path={`users/${u.id}`} name={u.name} version={u.version} retired={u.retired} />
              </>
            }
          >
            {u.role} <span className="text-muted">· signs in as {u.login}</span>
          </Row>
        ))}
      </Rows>
      <Dialog open={adding} onOpenChange={setAdding} title="Add a person">
        <AddUser view={view} onDone={() => setAdding(false)} />
      </Dialog>
      <Dialog open={!!changing} onOpenChange={(o) => !o && setChanging(undefined)} title={`New password for ${changing?.name ?? ""}`}>
        {changing && <Password user={changing} onDone={() => setChanging(undefined)} />}
      </Dialog>
      <Dialog open={!!naming} onOpenChange={(o) => !o && setNaming(undefined)} title={`Rename ${naming?.name ?? ""}`}>
        {naming && <Rename user={naming} onDone={() => setNaming(undefined)} />}
      </Dialog>
    </>
  );
}

function AddUser({ view, onDone }: { view: WorkshopView; onDone(): void }) {
  const form = useForm();
  const [role, setRole] = useState("fitter");
  return (
    <form
      data-busy
      className="grid grid-cols-2 gap-4"
      onSubmit={async (e) => {
        e.preventDefault();
        const d = new FormData(e.currentTarget);
        const text = (k: string) => String(d.get(k) ?? "");
        const body = {
          login: text("login"),
          name: text("name"),
          role,
          password: text("password"),
          ...(role === "fitter" ? { fitterId: text("fitterId") } : {}),
        };
        if (await form.submit(() => send("POST", "users", body), 1, `${body.name} may sign in`)) onDone();
      }}
    >
      <Field label="Name" name="name" faults={form.faults} required maxLength={120} />
      <Field
        label="Signs in as"
        name="login"
        faults={form.faults}
        required
        pattern="[a-z0-9.\-]{2,40}"
        hint="small letters, digits, dot, dash"
        autoCapitalize="none"
      />
      <Select
        label="Role"
        name="role"
        value={role}
        onChange={(e) => setRole(e.target.value)}
        options={[["fitter", "Fitter"] as const, ["lead", "Lead"] as const]}
      />
      {role === "fitter" ? (
        <Select
          label="Which fitter"
          name="fitterId"
          faults={form.faults}
          options={view.fitters.filter((f) => !f.retired).map((f) => [f.id, f.name] as const)}
        />
      ) : (
        <span />
      )}
      <Field
        className="col-span-2"
        label="Password"
        name="password"
        type="password"
        autoComplete="new-password"
        faults={form.faults}
        required
        minLength={10}
        hint="at least ten signs"
      />
      <div className="col-span-2">
        <FormEnd form={form} labels={{}} onTakeMine={() => undefined} />
      </div>
    </form>
  );
}

function Rename({ user, onDone }: { user: UserView; onDone(): void }) {
  const form = useForm();
  const save = async (data: FormData, version: number) => {
    const name = String(data.get("name") ?? "");
    if (await form.submit((v) => send("PATCH", `users/${user.id}`, { version: v, name }), version, `Now called ${name}`)) onDone();
  };
  return (
    <form
      id="rename-form"
      data-busy
      className="flex flex-col gap-4"
      onSubmit={(e) => {
        e.preventDefault();
        void save(new FormData(e.currentTarget), user.version);
      }}
    >
      <Field label="Name" name="name" faults={form.faults} defaultValue={user.name} required maxLength={120} />
      <FormEnd
        form={form}
        labels={{ name: "Name" }}
        onTakeMine={() => void save(new FormData(document.getElementById("rename-form") as HTMLFormElement), form.stale!.version)}
      />
    </form>
  );
}

function Password({ user, onDone }: { user: UserView; onDone(): void }) {
  const form = useForm();
  return (
    <form
      id="password-form"
      data-busy
      className="flex flex-col gap-4"
      onSubmit={async (e) => {
        e.preventDefault();
        const password = String(new FormData(e.currentTarget).get("password") ?? "");
        if (
          await form.submit(
            (version) => send("POST", `users/${user.id}/password`, { version, password }),
            user.version,
            `${user.name} has a new password`,
          )
        )
          onDone();
      }}
    >
      <Field
        label="Password"
        name="password"
        type="password"
        autoComplete="new-password"
        faults={form.faults}
        required
        minLength={10}
        hint="at least ten signs"
      />
      <FormEnd form={form} labels={{}} onTakeMine={() => (document.getElementById("password-form") as HTMLFormElement).requestSubmit()} />
    </form>
  );
}
