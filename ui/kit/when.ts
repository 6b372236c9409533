// UTC as the database keeps it ("2026-11-25 10:42:00"), in the reader's own time.

export const when = (utc: string): string =>
  new Date(`${utc.slice(0, 19).replace(" ", "T")}Z`).toLocaleString("en-GB", {
    weekday: "short",
    day: "numeric",
    month: "short",
    hour: "2-digit",
    minute: "2-digit",
  });
