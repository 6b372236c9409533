// Conditions on a build's choices, as the library's data writes them.

import type { OptionKey, Options } from "./options";

/** Each key must hold: true "there is some", false "there is none", a list "one of these". */
export type When = { [K in OptionKey]?: boolean | readonly string[] };

/** Whether there is any of it: not false, not 0, not "none". */
export const some = (value: Options[OptionKey]): boolean => value !== false && value !== 0 && value !== "none";

/** Whether the choices meet the condition; a list of conditions is met by any of them; none at all is always met. */
export function holds(when: When | readonly When[] | undefined, options: Options): boolean {
  if (!when) return true;
  if (Array.isArray(when)) return when.some((w) => holds(w, options));
  return Object.entries(when).every(([key, wanted]) => {
    const value = options[key as OptionKey];
    return typeof wanted === "boolean" ? some(value) === wanted : (wanted as readonly string[]).includes(String(value));
  });
}
