// A server that is alive but answers nobody is as good as dead: it is ended, so that it is started again.

/** How long nothing may come. A machine that is shared and slow has been seen to take 38 s for a page and to be well again. */
export const SILENT_MS = 60_000;

/**
 * Asks a server now and then, and leaves a question open until it is answered or the time is over: one that is slow answers late, one
 * that hangs answers never. When nothing has come for `silentMs`, `hung` is called once. What is returned stops it.
 */
export function watchForHang(address: string, hung: () => void, everyMs = 5000, silentMs = SILENT_MS): () => void {
  let heard = performance.now();
  let asking: AbortController | null = null;
  let over = false;
  const ask = async () => {
    if (asking) return;
    asking = new AbortController();
    const late = setTimeout(() => asking?.abort(), silentMs);
    late.unref();
    const ok = await fetch(`${address}/health`, { signal: asking.signal })
      .then((r) => r.ok)
      .catch(() => false);
    clearTimeout(late);
    asking = null;
    if (ok) heard = performance.now();
    else if (!over && performance.now() - heard >= silentMs) {
      end();
      hung();
    }
  };
  const timer = setInterval(ask, everyMs);
  timer.unref();
  const end = () => {
    over = true;
    clearInterval(timer);
    asking?.abort();
  };
  return end;
}
