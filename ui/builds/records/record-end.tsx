// What stands below the fields of every form for something kept of a build.

import { Button } from "../../kit/button";
import type { FormState } from "../../kit/use-form";

export function RecordEnd({ form, label }: { form: FormState; label: string }) {
  return (
    <>
      {(form.general || form.stale) && (
        <p role="alert" className="text-signal-text">
          {form.general ?? "Somebody else changed it meanwhile. Close this and open it again."}
        </p>
      )}
      <div className="flex justify-end">
        <Button kind="main" type="submit" disabled={form.busy}>
          {label}
        </Button>
      </div>
    </>
  );
}
