// The server's log: one line of JSON an entry, on standard error.

import pino from "pino";

export const log = pino({ level: process.env.WIDE_LANE_LOG ?? "warn" }, pino.destination(2));
