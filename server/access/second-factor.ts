// The second factor: codes of six digits that change every half minute, made by any authenticator on a phone (RFC 6238).

import { Secret, TOTP } from "otpauth";
import { spendSecondStep } from "@/db/access/users";
import { pool } from "@/db/pool";

const PERIOD = 30;
const totp = (secret: Secret, label: string) =>
  new TOTP({ issuer: "Wide Lane", label, algorithm: "SHA1", digits: 6, period: PERIOD, secret });

/** A new secret, and the address that an authenticator reads from a picture. */
export function newSecret(login: string): { secret: string; uri: string } {
  const secret = new Secret({ size: 20 });
  return { secret: secret.base32, uri: totp(secret, login).toString() };
}

/** The time step whose code this is, half a minute early or late; undefined: a wrong code. */
export function stepOf(secret: string, code: string, nowMs = Date.now()): number | undefined {
  const digits = code.replace(/\s/g, "");
  if (!/^\d{6}$/.test(digits)) return undefined;
  const delta = totp(Secret.fromBase32(secret), "").validate({ token: digits, timestamp: nowMs, window: 1 });
  return delta === null ? undefined : Math.floor(nowMs / 1000 / PERIOD) + delta;
}

/** Whether a code is right and was not used before. */
export async function takesCode(userId: string, secret: string, code: string): Promise<boolean> {
  const step = stepOf(secret, code);
  return step !== undefined && (await spendSecondStep(pool(), userId, step));
}
