"use client";
// Who signs in: add somebody, make a sign-in code, rename, retire. Nobody but its owner ever knows a password.

import { useState } from "react";
import { Button } from "../kit/button";
import { Dialog } from "../kit/dialog";
import { Field, Select } from "../kit/field";
import { byText, useListTools } from "../kit/list-tools";
import { send } from "../kit/send";
import { useForm } from "../kit/use-form";
import { FormEnd, Head, Retire, Row, Rows } from "./parts";
import type { UserView, WorkshopView } from "./view";

export function Users({ view }: { view: WorkshopView }) {
  const [adding, setAdding] = useState(false);
  const [changing, setChanging] = useState<UserView>();
  const [code, setCode] = useState<{ name: string; login: string; code: string }>();
  const [naming, setNaming] = useState<UserView>();
  const { shown, tools } = useListTools(view.users, {
    name: "people who sign in",
    text: (u) => `${u.name} ${u.login} ${u.role}`,
    orders: { role: undefined, name: byText((u) => u.name) },
    head: ["name", "signs in as", "role", "second factor", "retired"],
    cells: (u) => [u.name, u.login, u.role, u.second, u.retired],
  });
  return (
    <>
      <Head
        about="A lead sees and changes everything. A fitter sees their own card. Each person chooses their own password with a sign-in code that works once."
        add="Add a person"
        onAdd={() => setAdding(true)}
      />
      {tools}
      <Rows empty="Nobody signs in yet.">
        {shown.map((u) => (
          <Row
            key={u.id}
            title={u.name}
            retired={u.retired}
            actions={
              <>
                <Button onClick={() => setNaming(u)}>Rename</Button>
                {!u.retired && <Button onClick={() => setChanging(u)}>Sign-in code</Button>}
                <Retire path={`users/${u.id}`} name={u.name} version={u.version} retired={u.retired} />
              </>
            }
          >
            {u.role}{" "}
            <span className="text-muted">
              · signs in as {u.login}
              {u.second && " · second factor on"}
            </span>
          </Row>
        ))}
      </Rows>
      <Dialog open={adding} onOpenChange={setAdding} title="Add a person">
        <AddUser
          view={view}
          onDone={(made) => {
            setAdding(false);
            setCode(made);
          }}
        />
      </Dialog>
      <Dialog open={!!changing} onOpenChange={(o) => !o && setChanging(undefined)} title={`Sign-in code for ${changing?.name ?? ""}`}>
        {changing && (
          <MakeCode
            user={changing}
            onDone={(made) => {
              setChanging(undefined);
              setCode(made);
            }}
          />
        )}
      </Dialog>
      <Dialog open={!!code} onOpenChange={(o) => !o && setCode(undefined)} title={`Sign-in code for ${code?.name ?? ""}`}>
        {code && <ShowCode {...code} />}
      </Dialog>
      <Dialog open={!!naming} onOpenChange={(o) => !o && setNaming(undefined)} title={`Rename ${naming?.name ?? ""}`}>
        {naming && <Rename user={naming} onDone={() => setNaming(undefined)} />}
      </Dialog>
    </>
  );
}

type Made = { name: string; login: string; code: string };

function AddUser({ view, onDone }: { view: WorkshopView; onDone(made: Made): void }) {
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
          ...(role === "fitter" ? { fitterId: text("fitterId") } : {}),
        };
        let made = "";
        const work = async () => {
          made = (await send<{ code: string }>("POST", "users", body)).code;
        };
        if (await form.submit(work, 1, `${body.name} may sign in`)) onDone({ name: body.name, login: body.login, code: made });
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

function MakeCode({ user, onDone }: { user: UserView; onDone(made: Made): void }) {
  const form = useForm();
  const make = async () => {
    let made = "";
    const work = async (version: number) => {
      made = (await send<{ code: string }>("POST", `users/${user.id}/reset`, { version })).code;
    };
    if (await form.submit(work, user.version)) onDone({ name: user.name, login: user.login, code: made });
  };
  return (
    <form
      id="code-form"
      data-busy
      className="flex flex-col gap-4"
      onSubmit={(e) => {
        e.preventDefault();
        void make();
      }}
    >
      <p>
        {user.name} is signed out on all devices. The old password and the second factor stop working. With the code, {user.name} signs in
        and chooses a new password.
      </p>
      <FormEnd form={form} labels={{}} onTakeMine={() => void make()} />
    </form>
  );
}

function ShowCode({ login, code }: Made) {
  return (
    <div className="flex flex-col gap-3">
      {!code && <p role="alert">The answer with the code got lost on its way. Close this and make another code.</p>}
      <p>
        Sign in as <b>{login}</b> with this code instead of a password. It works once, for three days, and is shown only now.
      </p>
      <p className="rounded-md bg-sunk p-3 text-center text-[1.375rem] font-bold tracking-wider select-all" data-code>
        {code}
      </p>
    </div>
  );
}
