// Cleaning of a bare zone, and the kit of a job: kept step by step by their own acts, never typed as a whole.

import { declared } from "./fields";
import { shape } from "./own";

export const SHELL_ZONES = ["left", "right", "roof", "floor", "doors", "arches"] as const;
export type ShellZoneName = (typeof SHELL_ZONES)[number];
export const SHELL_STEPS = ["vacuum", "scuff", "wash", "dry", "rust", "degrease"] as const;
export type ShellStep = (typeof SHELL_STEPS)[number];

/** Cleaning of a bare zone: what was done when and by whom, who took it over, and what was sent back. Closed: taken over. */
export interface ShellZone {
  zone: ShellZoneName;
  steps: Partial<Record<ShellStep, { by: string; at: number }>>;
  accepted?: { by: string; at: number };
  back?: { by: string; at: number; why: string; minutes: number; from: string }[];
}

export const ZONE = declared<ShellZone>({
  kind: "zone",
  one: "A bare zone",
  many: "Bare zones",
  words: "bare metal",
  tab: "shell",
  intro: "",
  title: { label: "Which", hint: "" },
  by: "nobody",
  // Its form is one of its own.
  fields: [],
  schema: shape(
    { zone: { type: "string", enum: SHELL_ZONES }, steps: { type: "object" } },
    { accepted: { type: "object" }, back: { type: "array" } },
  ),
  says: () => "",
  tone: () => "none",
  logged: "zone",
});

/** What of a job's kit was counted, sharp and charged, by whom, and when last. */
export interface KitCheck {
  have: Record<string, { by: string; at: number }>;
}

export const KIT = declared<KitCheck>({
  kind: "kit",
  one: "A kit check",
  many: "Kit checks",
  words: "kit check",
  tab: "jobs",
  intro: "",
  title: { label: "Which", hint: "" },
  by: "nobody",
  // Its form is one of its own.
  fields: [],
  schema: shape({ have: { type: "object" } }, {}),
  says: () => "",
  tone: () => "none",
  logged: "kit",
});
