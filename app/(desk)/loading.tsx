export default function Loading() {
  return (
    <p role="status" className="m-auto p-8 text-muted">
      Loading …
    </p>
  );
}
