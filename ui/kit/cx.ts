// Joins class names; what is false is left out.

export const cx = (...parts: (string | false | null | undefined)[]): string => parts.filter(Boolean).join(" ");
