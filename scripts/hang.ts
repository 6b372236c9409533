// A server that is alive but answers nobody is as good as dead: it is ended, so that it is started again.

/** Asks a server now and then; when it does not answer several times in a row, `hung` is called once. What is returned stops it. */
export function watchForHang(address: string, hung: () => void, everyMs = 5000, misses = 5): () => void {
  let missed = 0;
  let busy = false;
  const timer = setInterval(async () => {
    if (busy) return;
    busy = true;
    const ok = await fetch(`${address}/health`, { signal: AbortSignal.timeout(4000) })
      .then((r) => r.ok)
      .catch(() => false);
    busy = false;
    missed = ok ? 0 : missed + 1;
    if (missed >= misses) {
      clearInterval(timer);
      hung();
    }
  }, everyMs);
  timer.unref();
  return () => clearInterval(timer);
}
