// Somebody at work, by the letters of their name.

export function Person({ initials, name }: { initials: string; name: string }) {
  return (
    <span
      title={name}
      className="grid size-7 shrink-0 place-items-center rounded-full border-2 border-card bg-ink text-[0.6875rem] font-bold text-paper"
    >
      {initials}
    </span>
  );
}
