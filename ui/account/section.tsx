// A part of the account, with its heading.

export function Section({ title, children }: { title: string; children: React.ReactNode }) {
  return (
    <section className="rounded-md border bg-card p-4" aria-label={title}>
      <h2 className="mb-2 text-[1rem]">{title}</h2>
      {children}
    </section>
  );
}
