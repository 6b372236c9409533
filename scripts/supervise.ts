// Keeps a part running: started again when it dies, with growing pauses; given up, loudly, when it does nothing but die.

import { Stop } from "./stop";

export interface Part {
  /** Resolves when it has ended by itself, with its exit code. */
  ended: Promise<number | null>;
  stop(): Promise<void>;
}

export interface Patience {
  /** Pauses before it is started again, in ms; the last one holds on. */
  pauses: readonly number[];
  /** So many deaths within `withinMs` and it is given up. */
  deaths: number;
  withinMs: number;
}

export const PATIENCE: Patience = { pauses: [300, 1000, 2000, 4000, 8000, 15_000], deaths: 8, withinMs: 5 * 60_000 };

export interface Supervised<P extends Part> {
  /** The part as it runs now. */
  readonly now: P;
  /** Rejects with a Stop when the part is given up; never resolves. */
  readonly failed: Promise<never>;
  stop(): Promise<void>;
}

/** Starts a part and keeps it running. `start` is called again after each death. */
export async function supervise<P extends Part>(
  name: string,
  start: () => Promise<P>,
  say: (text: string) => void,
  patience: Patience = PATIENCE,
): Promise<Supervised<P>> {
  let now = await start();
  let stopping = false;
  let wake: () => void = () => undefined;
  const deaths: number[] = [];
  const watch = async (): Promise<never> => {
    for (;;) {
      const code = await now.ended;
      if (stopping) return new Promise<never>(() => undefined);
      for (;;) {
        deaths.push(Date.now());
        while (deaths.length && deaths[0] < Date.now() - patience.withinMs) deaths.shift();
        if (deaths.length >= patience.deaths)
          throw new Stop(
            `${name} died ${deaths.length} times within ${Math.round(patience.withinMs / 60_000)} minutes. It is not started again: look into its log.`,
          );
        const pause = patience.pauses[Math.min(deaths.length, patience.pauses.length) - 1];
        say(`${name} ended by itself (${code ?? "killed"}). Starting it again ...`);
        await new Promise<void>((resolve) => {
          wake = resolve;
          setTimeout(resolve, pause);
        });
        if (stopping) return new Promise<never>(() => undefined);
        const next = await start().catch((e: Error) => {
          say(`${name} could not be started: ${e.message}`);
          return undefined;
        });
        if (!next) continue;
        now = next;
        if (stopping) await now.stop();
        else say(`${name} runs again.`);
        break;
      }
    }
  };
  const failed = watch();
  failed.catch(() => undefined);
  return {
    get now() {
      return now;
    },
    failed,
    stop: async () => {
      stopping = true;
      wake();
      await now.stop();
    },
  };
}
