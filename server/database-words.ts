// What the database refuses, in words for whoever asked: the last net under the checks of forms. Undefined: a fault of our own.

import { type Failure, isUnreachable } from "@/db/pool";
import { badField, Refusal } from "./refusal";

const field = (column: string): string => column.replace(/_(.)/g, (_m, l: string) => l.toUpperCase());

/** Unique keys and checks of the schema that somebody can run into, with the field and what is wrong with it. */
const KEYS: Record<string, [string, string]> = {
  supplier_name: ["name", "is there already"],
  bay_name_in_use: ["name", "is there already"],
  calendar_name_in_use: ["name", "is there already"],
  build_name_in_use: ["name", "is taken by another build in the shop"],
  build_one_a_bay: ["place", "another van stands there already"],
  record_hole_no: ["no", "another hole has this number"],
  job_fitter_one_at_a_time: ["crew", "somebody is at work on another job already"],
  house_order_name: ["name", "is there already"],
  tool_name: ["name", "is there already"],
  template_number: ["number", "is on another one already"],
  user_login: ["login", "is taken"],
  library_version_base: ["base", "was edited by somebody else meanwhile"],
};

/** A refusal for what the schema doesn't take; undefined when the fault is not in what was sent. */
export function databaseRefusal(e: unknown): Refusal | undefined {
  const { errno, sqlMessage = "" } = e as Failure;
  if (isUnreachable(e))
    return new Refusal(503, "The database can't be reached at this moment. Whether this was saved isn't known yet; trying again is safe.");
  switch (errno) {
    case 1062: {
      const key = Object.keys(KEYS).find((k) => sqlMessage.includes(`'${k}'`) || sqlMessage.includes(`.${k}'`));
      return key ? badField(...KEYS[key]) : new Refusal(409, "It is there already.");
    }
    // Too long, out of range, no such value: MariaDB names the column.
    case 1406:
    case 1264:
    case 1366:
    case 1292:
    case 1265: {
      const column = /column [`'](?:[^`']*[`']\.[`'])*([^`']+)[`']/.exec(sqlMessage)?.[1];
      return badField(field(column ?? "value"), errno === 1406 ? "is too long" : "is more than can be kept");
    }
    case 1452:
      return new Refusal(409, "Something it belongs to is not there any more. Reload the page.");
    case 1451:
      return new Refusal(409, "Something else hangs on it still.");
    case 4025: {
      const check = /CONSTRAINT `([^`]+)`/.exec(sqlMessage)?.[1];
      return new Refusal(422, `These values don't go together${check ? ` (${check})` : ""}.`);
    }
    // The disk is full: the change was taken back as a whole.
    case 1114:
    case 1021:
    case 1026:
    case 3:
      return new Refusal(
        507,
        "The server's disk is full, so this could not be saved. Tell the lead; it can be sent again once there is room.",
      );
    case 1205:
    case 1213:
    case 1020:
      return new Refusal(503, "Too many changed the same at this moment. Try again: it will not be done twice.");
    default:
      return undefined;
  }
}
