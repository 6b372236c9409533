// Reads an answer that comes line by line. Throws SendError when it was refused or failed on the way.

import { SendError } from "./send";

export async function sendLines<L>(path: string, body: unknown, onLine: (line: L) => void, signal: AbortSignal): Promise<void> {
  const response = await fetch(`/api/${path}`, {
    method: "POST",
    headers: { "content-type": "application/json" },
    body: JSON.stringify(body),
    signal,
  });
  if (!response.ok || !response.body)
    throw new SendError(response.status, (await response.json().catch(() => ({}))) as Record<string, unknown>);
  const reader = response.body.pipeThrough(new TextDecoderStream()).getReader();
  let rest = "";
  for (;;) {
    const { done, value } = await reader.read();
    rest += value ?? "";
    const lines = rest.split("\n");
    rest = lines.pop() ?? "";
    for (const line of lines) {
      if (!line) continue;
      const parsed = JSON.parse(line) as L & { failed?: { status: number } };
      if (parsed.failed) throw new SendError(parsed.failed.status, parsed.failed);
      onLine(parsed);
    }
    if (done) return;
  }
}
